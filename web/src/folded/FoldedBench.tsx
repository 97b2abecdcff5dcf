import { Component, lazy, Suspense, useCallback, useMemo, useState, type KeyboardEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  drawFolded,
  drawLayers,
  posesAt,
  standOnTable,
  type FoldStage,
  type PaperSide,
  type Scene,
  type Shape,
} from '@zippy/core';
import { Bench, Caption, Ground, Middle, Tools } from '../bench/Bench.tsx';
import { useView } from '../stores/view/index.ts';
import { Scale } from '../ui/Scale.tsx';
import { BenchButton } from '../ui/buttons.tsx';
import { useSeenPanels, type StationProps } from '../stations/parts.ts';
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
}: StationProps & {
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  /** Presses of the station itself, before the folding’s own. */
  readonly more: ReactNode;
}): ReactNode {
  const { open, folds: asked, stands, yawDeg, pitchDeg, foldTo, openTo, standUp, holdShut, turnTo } = useView();
  const [solid, setSolid] = useState(hasWebGl);
  const { size } = plan;
  const prints = useSeenPanels(plan);
  const { form } = size;
  const steps = form.steps.length;
  // A format with fewer folds may have been chosen since.
  const folds = asked === null ? null : Math.min(asked, steps);
  const glided = useGlide(folds ?? 0);
  const stage: FoldStage = folds === null ? { open } : { done: Math.min(steps, glided) };
  const onTable = useMemo(() => (stands ? standOnTable(form, size.folding) : null), [stands, form, size.folding]);
  const said = sayStage(size.formatName, folds, open, form.steps, onTable !== null);
  const stockColour = plan.stock.stock.colour;
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
  const tools = (
    <>
      {more}
      <BenchButton
        aria-label="Fold before"
        isDisabled={(folds ?? 0) <= 0}
        onPress={() => foldTo(Math.max(0, (folds ?? 0) - 1))}
      >
        ‹
      </BenchButton>
      <Where aria-live="polite">
        {folds === null ? `${steps} ${steps === 1 ? 'fold' : 'folds'}` : `Fold ${folds} of ${steps}`}
      </Where>
      <BenchButton
        aria-label="Next fold"
        isDisabled={folds !== null && folds >= steps}
        onPress={() => foldTo(folds === null ? 1 : folds + 1)}
      >
        ›
      </BenchButton>
      <Opener>
        <Scale
          label="Open"
          value={open}
          least={0}
          most={1}
          step={0.01}
          say={(v) => `${Math.round(v * 100)} %`}
          onChange={openTo}
        />
      </Opener>
      {form.standing && (
        <BenchButton aria-pressed={stands} onPress={() => standUp(!stands)}>
          On a table
        </BenchButton>
      )}
      <BenchButton onPress={() => holdShut()}>As its reader sees it</BenchButton>
    </>
  );
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
                yawDeg={yawDeg}
                pitchDeg={pitchDeg}
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

function sayStage(
  format: string,
  folds: number | null,
  open: number,
  steps: readonly { readonly says: string }[],
  onTable: boolean,
): string {
  if (onTable) return `${format}, standing on a table.`;
  if (folds !== null) return folds === 0 ? 'Flat, outside up.' : `Fold ${folds}: ${steps[folds - 1]?.says ?? ''}`;
  if (open === 0) return `${format}, shut.`;
  return open === 1 ? `${format}, flat open.` : `${format}, ${Math.round(open * 100)} % open.`;
}

/** When three dimensions fail for any reason, the drawn view is always there. */
class Fallback extends Component<
  { readonly onLost: () => void; readonly children: ReactNode },
  { readonly lost: boolean }
> {
  override state = { lost: false };
  static getDerivedStateFromError(): { lost: boolean } {
    return { lost: true };
  }
  override componentDidCatch(): void {
    this.props.onLost();
  }
  override render(): ReactNode {
    return this.state.lost ? null : this.props.children;
  }
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
const Where = styled.span`
  min-width: 84px;
  text-align: center;
`;
const Opener = styled.div`
  width: 150px;
  margin: 0 6px;
`;
