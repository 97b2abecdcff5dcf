import {
  lazy,
  Suspense,
  useCallback,
  useMemo,
  useRef,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import styled from 'styled-components';
import {
  decide,
  fixed,
  driftFacts,
  faultsOf,
  formatLength,
  polygon,
  sayFault,
  seenFace,
  shifted,
  IDENTITY,
  translation,
  type Scene,
} from '@zippy/core';
import { Bench } from '../../../bench/Bench.tsx';
import { ARROWS } from '../../../keys/arrows.ts';
import { useDrift } from '../../../stores/drift.ts';
import { useView } from '../../../stores/view/index.ts';
import { Scale } from '../../../ui/Scale.tsx';
import { BenchButton, KeyCap, PlainButton } from '../../../ui/buttons.tsx';
import { useJob } from '../../../stores/job.ts';
import type { StationProps } from '../../parts.ts';
import { useFace } from '../useFace.ts';
import { useDriftRun } from './useDriftRun.ts';

const DriftChart = lazy(() => import('./DriftChart.tsx'));

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

const percent = (share: number): string =>
  share > 0 && share < 0.001 ? 'under 0.1 %' : `${(share * 100).toFixed(1)} %`;

/** A thousand cards through the maker’s own trimmer, and what would keep their faults rare. */
export function DriftPanel(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { unit } = workshop;
  const { face } = useFace(props);
  const change = useJob((s) => s.change);
  const { biasRightMm, biasDownMm, printSpreadMm, wantedShare, set } = useDrift();
  const worst = plan.cut.drift.worst.fromTrueMm;
  const facts = driftFacts(face, plan.size, job.size.bleedMm);
  const run = useDriftRun(facts, { biasRightMm, biasDownMm, printSpreadMm, cutSpreadMm: worst }, wantedShare);
  const { bleedMm, safeMm } = job.size;
  const border = face.art.border;
  const mm = (value: number): string => formatLength(value, unit);
  return (
    <Lab aria-label="Drift: a thousand cards">
      <p>
        <b>{run ? `${percent(run.share)} of a thousand cards` : 'Cutting a thousand cards …'}</b>
        {run && ` would show a fault on the ${face.face.name.toLowerCase()}, cut with ${plan.cut.trimmer.name}.`}
      </p>
      {run && (
        <>
          <table>
            <tbody>
              <tr>
                <th scope="row">White slivers</th>
                <td>
                  {facts.bleedMm === null && Object.keys(facts.shortMm).length === 0
                    ? 'no art at the edge'
                    : percent(run.perCause.sliver)}
                </td>
              </tr>
              <tr>
                <th scope="row">Words clipped</th>
                <td>{percent(run.perCause.clipped)}</td>
              </tr>
              <tr>
                <th scope="row">Border uneven</th>
                <td>{facts.bandMm === null ? 'no border' : percent(run.perCause.border)}</td>
              </tr>
              <tr>
                <th scope="row">By edge</th>
                <td>{facts.cut.map((edge) => `${edge} ${percent(run.perEdge[edge])}`).join(' · ')}</td>
              </tr>
            </tbody>
          </table>
          <Suspense fallback={<p>Drawing the curve …</p>}>
            <DriftChart run={run} bleedMm={bleedMm} safeMm={safeMm} wanted={wantedShare} unit={unit} />
          </Suspense>
          <p>
            To keep each under {percent(wantedShare)}: a bleed of {mm(run.bleedMm)}, words {mm(run.safeMm)} inside the
            trim{border ? `, a border of ${mm(run.bandMm)} or none` : ''}.
          </p>
          <Presses>
            {run.bleedMm > bleedMm && run.bleedMm <= 20 && (
              <PlainButton onPress={() => change([decide((job) => job.size.bleedMm, run.bleedMm)])}>
                Bleed {mm(run.bleedMm)}
              </PlainButton>
            )}
            {run.safeMm > safeMm && (
              <PlainButton onPress={() => change([decide((job) => job.size.safeMm, run.safeMm)])}>
                Safe {mm(run.safeMm)}
              </PlainButton>
            )}
            {border && run.bandMm > (border.insetMm || border.widthMm) && run.bandMm <= 15 && (
              <PlainButton
                onPress={() =>
                  change([
                    decide((job) => job.art.faces.at(face.face.id).border, {
                      ...border,
                      insetMm: 0,
                      widthMm: Math.ceil(run.bandMm * 2) / 2,
                    }),
                  ])
                }
              >
                Border {mm(Math.ceil(run.bandMm * 2) / 2)}
              </PlainButton>
            )}
            {border && run.bandMm > (border.insetMm || border.widthMm) && (
              <PlainButton onPress={() => change([decide((job) => job.art.faces.at(face.face.id).border, null)])}>
                Take the border off
              </PlainButton>
            )}
          </Presses>
        </>
      )}
      <Scale
        label="The print wanders by (1 σ)"
        value={printSpreadMm}
        least={0}
        most={1.5}
        step={0.05}
        say={(v) => `${fixed(v, 2)} mm`}
        onChange={(value) => set({ printSpreadMm: value })}
      />
      <Scale
        label="Lasting bias, right"
        value={biasRightMm}
        least={-2}
        most={2}
        step={0.1}
        say={(v) => `${fixed(v, 1)} mm`}
        onChange={(value) => set({ biasRightMm: value })}
      />
      <Scale
        label="Lasting bias, low"
        value={biasDownMm}
        least={-2}
        most={2}
        step={0.1}
        say={(v) => `${fixed(v, 1)} mm`}
        onChange={(value) => set({ biasDownMm: value })}
      />
      <Scale
        label="Faults you would put up with"
        value={wantedShare}
        least={0.005}
        most={0.1}
        step={0.005}
        say={percent}
        onChange={(value) => set({ wantedShare: value })}
      />
      <small>
        One cut strays by {fixed(worst, 2)} mm (1 σ): the tool’s own repeatability and that of the edge it is measured
        from, see Cut.
      </small>
    </Lab>
  );
}

const Pad = styled.div`
  position: absolute;
  cursor: move;
  touch-action: none;
`;
const Lab = styled.div.attrs({ role: 'group' })`
  display: grid;
  gap: 10px;
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    padding: 4px 0;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-weight: 400;
    text-align: left;
    vertical-align: top;
    white-space: nowrap;
  }
  td {
    padding: 4px 0 4px 10px;
    font-weight: 700;
    text-align: right;
  }
  tr + tr > * {
    border-top: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;
const Presses = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;
