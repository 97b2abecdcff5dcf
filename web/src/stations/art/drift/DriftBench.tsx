import { useCallback, useMemo, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  driftFacts,
  faultsOf,
  formatLength,
  IDENTITY,
  polygon,
  sayFault,
  seenFace,
  shifted,
  translation,
  type Scene,
} from '@zippy/core';
import { Bench } from '../../../bench/Bench.tsx';
import { ARROWS } from '../../../keys/arrows.ts';
import { useDrift } from '../../../stores/drift.ts';
import { useView } from '../../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../../ui/buttons.tsx';
import type { StationProps } from '../../parts.ts';
import { useFace } from '../useFace.ts';

/** The table that a cut card lies on, so that bare stock at its edge is seen. */
const MOST_MM = 6;
const tenth = (mm: number): number => Math.round(mm * 10) / 10;
const clamp = (mm: number): number => Math.max(-MOST_MM, Math.min(MOST_MM, tenth(mm)));

/** A cut card on the table: the blade is moved, and what it would show is shown. */
export function DriftBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { face } = useFace(props);
  const { rightMm, downMm, set } = useDrift();
  const toggle = useView((s) => s.toggleDrift);
  const facts = driftFacts(face, plan.size, job.size.bleedMm);
  const faults = faultsOf(facts, shifted(rightMm, downMm));
  const stock = plan.stock.stock.colour;
  const drag = useRef<{ readonly x: number; readonly y: number; readonly right: number; readonly down: number } | null>(
    null,
  );
  const { widthMm, heightMm } = face.face;
  const box = useMemo(() => ({ xMm: 0, yMm: 0, widthMm, heightMm }), [widthMm, heightMm]);
  const draw = useCallback(
    (textMm: number): Scene => ({
      box: { ...box, yMm: -textMm * 2, heightMm: box.heightMm + textMm * 4 },
      symbols: {},
      // The card stays where it is; what is printed lies the other way from where the blade went.
      shapes: [
        { kind: 'path', role: 'stock', path: polygon(face.trimOutline), fill: stock },
        {
          kind: 'group',
          transform: IDENTITY,
          clip: polygon(face.trimOutline),
          children: [
            {
              kind: 'group',
              transform: translation(-rightMm, -downMm),
              clip: polygon(face.bleedOutline),
              children: seenFace(plan.art, face, stock),
            },
          ],
        },
      ],
    }),
    [box, face, stock, plan.art, rightMm, downMm],
  );
  const move = (event: PointerEvent, pxPerMm: number): void => {
    const from = drag.current;
    if (!from) return;
    set({
      rightMm: clamp(from.right - (event.clientX - from.x) / pxPerMm),
      downMm: clamp(from.down - (event.clientY - from.y) / pxPerMm),
    });
  };
  const nudge = (event: KeyboardEvent): void => {
    const by = event.shiftKey ? 0.5 : 0.1;
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    event.stopPropagation();
    set({ rightMm: clamp(rightMm + dx * by), downMm: clamp(downMm + dy * by) });
  };
  const way = (mm: number, plus: string, minus: string): string =>
    mm === 0 ? '' : `${formatLength(Math.abs(mm), workshop.unit)} ${mm > 0 ? plus : minus}`;
  const where = [way(rightMm, 'right', 'left'), way(downMm, 'low', 'high')].filter(Boolean).join(', ');
  return (
    <Bench
      content={box}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`${face.face.name} as it comes off the trimmer, the blade ${where || 'in its place'}`}
      caption={
        <>
          <b>The blade came down {where || 'in its place'}.</b>{' '}
          {faults.length === 0 ? 'Nothing would be seen.' : `You would see ${faults.map(sayFault).join('; ')}.`}
        </>
      }
      overlay={({ pxPerMm, originPx }) => (
        <Pad
          role="slider"
          tabIndex={0}
          aria-label="Where the blade came down: drag, or use the arrow keys"
          aria-valuenow={rightMm}
          aria-valuemin={-MOST_MM}
          aria-valuemax={MOST_MM}
          aria-valuetext={where || 'in its place'}
          style={{
            left: originPx.x,
            top: originPx.y,
            width: box.widthMm * pxPerMm,
            height: box.heightMm * pxPerMm,
          }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            drag.current = { x: event.clientX, y: event.clientY, right: rightMm, down: downMm };
          }}
          onPointerMove={(event) => move(event, pxPerMm)}
          onPointerUp={() => {
            drag.current = null;
          }}
          onKeyDown={nudge}
        />
      )}
      tools={
        <>
          {plan.art.faces.slice(0, 6).map(({ face: { id, name } }) => (
            <BenchButton key={id} aria-pressed={id === face.face.id} onPress={() => useView.getState().pickFace(id)}>
              {name}
            </BenchButton>
          ))}
          <BenchButton aria-pressed onPress={toggle}>
            Drift <KeyCap>D</KeyCap>
          </BenchButton>
          <BenchButton isDisabled={rightMm === 0 && downMm === 0} onPress={() => set({ rightMm: 0, downMm: 0 })}>
            Blade in place
          </BenchButton>
        </>
      }
    />
  );
}

const Pad = styled.div`
  position: absolute;
  cursor: move;
  touch-action: none;
`;
