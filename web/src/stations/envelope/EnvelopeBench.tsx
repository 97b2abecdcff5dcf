import { lazy, Suspense, useCallback, type ReactNode } from 'react';
import {
  addressZone,
  boxPath,
  drawEnvelopeBlank,
  drawEnvelopeFront,
  drawEnvelopeOutside,
  drawEnvelopeSheet,
  drawLiner,
  drawOnMachine,
  type Scene,
} from '@zippy/core';
import { Bench, Ground, Middle, Tools } from '../../bench/Bench.tsx';
import { FoldedBench } from '../../folded/FoldedBench.tsx';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';
import { Turner } from '../../bench/Turner.tsx';
import { useEnvelopeSides, type StationProps } from '../parts.ts';

const StyleTable = lazy(() => import('./StyleTable.tsx'));
const FROM_BEHIND = { yawDeg: 152, pitchDeg: 18 };

/** The envelope: its blank, either side up, folded, its front, on its sheet, or every style beside the others. */
export function EnvelopeBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { side, turnOver, onSheet, showOnSheet, folded, showFolded, turnTo, shows, show, showCard } = useView();
  const { envelope } = plan;
  const sides = useEnvelopeSides(plan);
  const front = envelope.art.piece.faces[0]!;
  const what = folded ? 'folded' : shows !== 'blank' ? shows : onSheet ? 'sheet' : 'blank';
  const draw = useCallback(
    (textMm: number): Scene => {
      if (what === 'front') return drawEnvelopeFront(envelope, addressZone(front, job.envelope.clearMm));
      if (what === 'liner' && envelope.liner) return drawLiner(envelope.liner, textMm);
      if (what === 'blank' || what === 'liner')
        return side === 'outside' && envelope.art.printed.length > 0
          ? drawEnvelopeOutside(envelope, textMm)
          : drawEnvelopeBlank(envelope, textMm, workshop.unit);
      const { machine } = envelope.cuts;
      // By machine it lies front up, with the marks that are looked for.
      const scene = machine && envelope.made ? drawOnMachine(machine.on) : drawEnvelopeSheet(envelope).scene;
      return {
        ...scene,
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: envelope.stock.colour },
          ...scene.shapes.filter((shape) => shape.kind !== 'path' || shape.role !== 'sheet'),
        ],
      };
    },
    [envelope, front, job.envelope.clearMm, workshop.unit, what, side],
  );
  const turnToOne = (one: typeof what): void => {
    showFolded(one === 'folded');
    showOnSheet(one === 'sheet');
    show(one === 'front' || one === 'styles' || one === 'liner' ? one : 'blank');
    // It is folded and glued behind its front.
    if (one === 'folded') turnTo(FROM_BEHIND.yawDeg, FROM_BEHIND.pitchDeg);
  };
  const press = (one: typeof what, label: ReactNode): ReactNode => (
    <BenchButton aria-pressed={what === one} onPress={() => turnToOne(what === one ? 'blank' : one)}>
      {label}
    </BenchButton>
  );
  const presses = (
    <>
      {press('styles', 'Styles side by side')}
      {envelope.atHand && press('front', 'Front')}
      {envelope.liner && press('liner', 'Liner')}
      {press(
        'folded',
        <>
          Folded <KeyCap>O</KeyCap>
        </>,
      )}
      {press('sheet', 'On its sheet')}
      {what === 'blank' && envelope.art.printed.length > 0 && (
        <BenchButton onPress={turnOver}>
          Turn over <KeyCap>T</KeyCap>
        </BenchButton>
      )}
      {what === 'front' && plan.art.names && (
        <Turner
          name="Envelope"
          number={plan.art.names.shown + 1}
          of={plan.art.names.cards}
          onChange={(n) => showCard(n - 1)}
        />
      )}
    </>
  );
  if (what === 'styles')
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
  if (what === 'folded')
    return (
      <FoldedBench {...props} art={sides} size={envelope.art.piece} stockColour={envelope.art.colour} more={presses} />
    );
  const content =
    what === 'front'
      ? { xMm: 0, yMm: 0, widthMm: front.widthMm, heightMm: front.heightMm }
      : what === 'liner' && envelope.liner
        ? { xMm: 0, yMm: 0, widthMm: envelope.liner.blank.widthMm, heightMm: envelope.liner.blank.heightMm }
        : what === 'sheet'
          ? draw(1).box
          : { xMm: 0, yMm: 0, widthMm: envelope.blank.widthMm, heightMm: envelope.blank.heightMm };
  return (
    <Bench
      content={content}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`${envelope.folded.formatName}, ${what === 'sheet' && envelope.cuts.machine ? 'on its sheet, outside up, as a machine cuts it' : SAID[what]}`}
      caption={what === 'front' ? 'Dots: where an address may stand' : undefined}
      tools={presses}
    />
  );
}

const SAID = {
  front: 'its front as it is read',
  liner: 'its liner, seen side up',
  sheet: 'on its sheet, inside up',
  blank: 'the open blank',
};
