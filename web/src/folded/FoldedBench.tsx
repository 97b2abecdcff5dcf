import { lazy, Suspense, useCallback, useMemo, useState, type KeyboardEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  drawFolded,
  drawLayers,
  LOOKED_INTO_DEG,
  posesAt,
  standOnTable,
  type FoldedPiece,
  type FoldStage,
  type PaperSide,
  type Scene,
  type Shape,
} from '@zippy/core';
import { Bench, Caption, Ground, Middle, Tools } from '../bench/Bench.tsx';
import { useView } from '../stores/view/index.ts';
import { useSeenPanels, type StationProps } from '../stations/parts.ts';
import { Fallback } from './Fallback.tsx';
import { FoldTools } from './FoldTools.tsx';
import { sayStage } from './sayStage.ts';
import { hasWebGl } from './hasWebGl.ts';
import { useGlide } from './useGlide.ts';

const FoldedScene = lazy(() => import('./FoldedScene.tsx'));

const TURN_BY_DEG = 10;
const clampPitch = (deg: number): number => Math.min(85, Math.max(-60, deg));

/** The folded card: opened and shut, or folded step by step; looked at from anywhere. */
export function FoldedBench({
  job,
  plan,
  workshop,
  art,
  more,
  chosen = null,
  size = plan.size,
  stockColour = plan.stock.stock.colour,
}: StationProps & {
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  /** What is folded; the card where nothing is said, of its own stock. */
  readonly size?: FoldedPiece;
  readonly stockColour?: string;
  /** The layer in hand, whose parts stand out. */
  readonly chosen?: number | null;
  /** Presses of the station itself, before the folding’s own. */
  readonly more: ReactNode;
}): ReactNode {
  const { open, folds: asked, stands, yawDeg, pitchDeg, turnTo } = useView();
  const [solid, setSolid] = useState(hasWebGl);
  const prints = useSeenPanels(plan);
  const { form } = size;
  const steps = form.steps.length;
  // A format with fewer folds may have been chosen since.
  const folds = asked === null ? null : Math.min(asked, steps);
  const glided = useGlide(folds ?? 0);
  const stage: FoldStage = folds === null ? { open } : { done: Math.min(steps, glided) };
  const onTable = useMemo(() => (stands ? standOnTable(form, size.folding) : null), [stands, form, size.folding]);
  const said = sayStage(size.formatName, folds, open, form.steps, {
    onTable: onTable !== null,
    inDegrees: Boolean(size.popUps),
  });
  const key = JSON.stringify(stage);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the stage is a new object each time; its text is not
  const poses = useMemo(() => onTable ?? posesAt(size, stage), [onTable, size, key]);
  const withLayers = useMemo(
    () => ({
      outside: [...art.outside, ...drawLayers(size, 'outside', prints)],
      inside: [...art.inside, ...drawLayers(size, 'inside', prints)],
    }),
    [art, size, prints],
  );
  const draw = useCallback(
    (): Scene => drawFolded(size, { ...stage, stockColour, art, prints, yawDeg, pitchDeg }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- as above
    [size, key, stockColour, art, prints, yawDeg, pitchDeg],
  );
  const tools = <FoldTools {...{ form, folds, more }} inDegrees={Boolean(size.popUps)} />;
  if (!solid) {
    return (
      <Bench
        content={draw().box}
        draw={draw}
        pictures={job.pictures}
        unit={workshop.unit}
        label={said}
        caption={folds !== null && folds > 0 ? form.steps[folds - 1]?.says : undefined}
        tools={tools}
      />
    );
  }
  const turn = (yaw: number, pitch: number): void => turnTo(yaw, clampPitch(pitch));
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by) return;
    event.preventDefault();
    turn(yawDeg + by[0]! * TURN_BY_DEG, pitchDeg + by[1]! * TURN_BY_DEG);
  };
  return (
    <Ground aria-label="Bench">
      <Middle>
        <Stage
          role="application"
          aria-roledescription="card that can be turned"
          aria-label={`${said} Turn it with the arrow keys or by dragging.`}
          tabIndex={0}
          onKeyDown={onKeyDown}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={(event) => {
            if (event.buttons === 1) turn(yawDeg - event.movementX * 0.4, pitchDeg + event.movementY * 0.4);
          }}
        >
          <Fallback onLost={() => setSolid(false)}>
            <Suspense fallback={<p className="waiting">Folding the card …</p>}>
              <FoldedScene
                size={size}
                poses={poses}
                stockColour={stockColour}
                art={withLayers}
                pictures={job.pictures}
                prints={prints}
                chosen={chosen}
                yawDeg={yawDeg}
                pitchDeg={pitchDeg + (size.popUps && !onTable ? LOOKED_INTO_DEG : 0)}
                table={onTable !== null}
                onLost={() => setSolid(false)}
              />
            </Suspense>
          </Fallback>
        </Stage>
        <Caption>{said}</Caption>
      </Middle>
      <Tools>
        <div>{tools}</div>
      </Tools>
    </Ground>
  );
}

const Stage = styled.div`
  position: relative;
  flex: 1;
  min-height: 0;
  cursor: grab;
  touch-action: none;
  &:active {
    cursor: grabbing;
  }
  &:focus-visible {
    outline: 3px solid ${({ theme }) => theme.colour.marigold};
    outline-offset: -3px;
  }
  > div {
    position: absolute !important;
    inset: 0;
  }
  .waiting {
    position: absolute;
    inset: 0;
    display: grid;
    place-items: center;
  }
`;
