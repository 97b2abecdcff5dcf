import { lazy, Suspense, useCallback, type ReactNode } from 'react';
import { boxPath, drawEnvelopeBlank, drawEnvelopeSheet, type Scene } from '@zippy/core';
import { Bench, Ground, Middle, Tools } from '../../bench/Bench.tsx';
import { FoldedBench } from '../../folded/FoldedBench.tsx';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';
import type { StationProps } from '../parts.ts';

const StyleTable = lazy(() => import('./StyleTable.tsx'));
const FROM_BEHIND = { yawDeg: 152, pitchDeg: 18 };
const BARE = { outside: [], inside: [] };

/** The envelope: its blank, folded, on its sheet, or every style beside the others. */
export function EnvelopeBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { onSheet, showOnSheet, folded, showFolded, turnTo, comparing, compare } = useView();
  const { envelope } = plan;
  const draw = useCallback(
    (textMm: number): Scene => {
      if (!onSheet) return drawEnvelopeBlank(envelope, textMm, workshop.unit);
      const { scene } = drawEnvelopeSheet(envelope);
      return {
        ...scene,
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: envelope.stock.colour },
          ...scene.shapes,
        ],
      };
    },
    [envelope, workshop.unit, onSheet],
  );
  const presses = (
    <>
      <BenchButton aria-pressed={comparing} onPress={() => compare(!comparing)}>
        Styles side by side
      </BenchButton>
      {!comparing && (
        <>
          <BenchButton
            aria-pressed={folded}
            onPress={() => {
              showOnSheet(false);
              showFolded(!folded);
              // It is folded and glued behind its front.
              if (!folded) turnTo(FROM_BEHIND.yawDeg, FROM_BEHIND.pitchDeg);
            }}
          >
            Folded <KeyCap>O</KeyCap>
          </BenchButton>
          <BenchButton
            aria-pressed={onSheet && !folded}
            onPress={() => {
              showFolded(false);
              showOnSheet(folded || !onSheet);
            }}
          >
            On its sheet
          </BenchButton>
        </>
      )}
    </>
  );
  if (comparing)
    return (
      <Ground aria-label="Bench">
        <Middle>
          <Suspense fallback={null}>
            <StyleTable {...props} />
          </Suspense>
        </Middle>
        <Tools>
          <div>{presses}</div>
        </Tools>
      </Ground>
    );
  if (folded)
    return (
      <FoldedBench {...props} art={BARE} size={envelope.folded} stockColour={envelope.stock.colour} more={presses} />
    );
  const content = onSheet
    ? draw(1).box
    : { xMm: 0, yMm: 0, widthMm: envelope.blank.widthMm, heightMm: envelope.blank.heightMm };
  return (
    <Bench
      content={content}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`${envelope.folded.formatName}, ${onSheet ? 'on its sheet' : 'the blank with the inside up'}`}
      tools={presses}
    />
  );
}
