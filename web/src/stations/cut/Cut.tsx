import { useCallback, useState, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import {
  decide,
  fixed,
  CAUTIONS,
  DRAWN_WIDER,
  drawCutMove,
  drawDrift,
  formatLength,
  SPREADS_OF_95,
  type Scene,
} from '@zippy/core';
import styled from 'styled-components';
import { Bench } from '../../bench/Bench.tsx';
import { Large } from '../../bench/Large.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';
import { spokenOf, useSides, type StationProps } from '../parts.ts';
import { Caution, StepList, Stepper } from '../Stepper.tsx';
import { MachineBench } from './MachineBench.tsx';
import { StandInMachine } from './StandInMachine.tsx';

export function CutBench(props: StationProps): ReactNode {
  const drift = useView((s) => s.drift);
  if (drift && props.plan.sheet.up > 0) return <DriftBench {...props} />;
  return props.plan.cut.trimmer.machine ? <MachineBench {...props} /> : <MovesBench {...props} />;
}

const driftPress = (pressed: boolean): ReactNode => (
  <BenchButton aria-pressed={pressed} onPress={useView.getState().toggleDrift}>
    Drift <KeyCap>D</KeyCap>
  </BenchButton>
);

/** One move at a time, its number large enough to read with a blade in one hand. */
function MovesBench({ job, plan, workshop }: StationProps): ReactNode {
  const { cut, sheet, size, stock } = plan;
  const { step: wanted, cutsDone, checkCut } = useView();
  const step = Math.min(wanted, Math.max(0, cut.moves.length - 1));
  const sides = useSides(plan);
  const draw = useCallback(
    (textMm: number): Scene =>
      drawCutMove(size, sheet, cut, step, {
        unit: workshop.unit,
        textMm,
        stockColour: stock.stock.colour,
        art: sides.outside,
      }),
    [size, sheet, cut, step, workshop.unit, stock, sides],
  );
  const move = cut.moves[step];
  const done = move && cutsDone.includes(move.number);
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={move ? `Cut ${move.number}: ${move.turn}. ${move.text}` : cut.verdict}
      overlay={() =>
        move && (
          <Large big={formatLength(move.fenceMm, workshop.unit)}>
            <span>{move.turn}</span>
            <span>{move.atFence} edge to the fence</span>
          </Large>
        )
      }
      tools={
        <>
          <Stepper count={cut.moves.length} name="Cut" />
          {move && (
            <BenchButton aria-pressed={done} onPress={() => checkCut(move.number, cut.moves.length)}>
              {done ? '✓ Cut' : 'Cut: check it off'}
            </BenchButton>
          )}
          {driftPress(false)}
        </>
      }
    />
  );
}

/** Where the blade lands 95 times in 100: each distance from a true edge, or each from the cut before. */
function DriftBench({ job, plan, workshop }: StationProps): ReactNode {
  const { cut, sheet, size, stock } = plan;
  const [measured, setMeasured] = useState<'fromTrue' | 'chained'>('fromTrue');
  const sides = useSides(plan);
  const draw = useCallback(
    (textMm: number): Scene =>
      drawDrift(
        size,
        sheet,
        cut,
        { unit: workshop.unit, textMm, stockColour: stock.stock.colour, art: sides.outside },
        measured,
      ),
    [size, sheet, cut, workshop.unit, stock, sides, measured],
  );
  const { worst } = cut.drift;
  const says =
    measured === 'fromTrue'
      ? `Every distance from a true edge: ±${fixed(SPREADS_OF_95 * worst.fromTrueMm, 1)} mm at worst, however many cards there are`
      : `Each distance from the cut before: the errors add up to ±${fixed(SPREADS_OF_95 * worst.chainedMm, 1)} mm`;
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`Where trims may land. ${says}`}
      caption={`${says} (bands drawn ${DRAWN_WIDER} times as wide)`}
      tools={
        <>
          <BenchButton aria-pressed={measured === 'fromTrue'} onPress={() => setMeasured('fromTrue')}>
            From the true edge
          </BenchButton>
          {!cut.trimmer.machine && (
            <BenchButton aria-pressed={measured === 'chained'} onPress={() => setMeasured('chained')}>
              From the last cut
            </BenchButton>
          )}
          {driftPress(true)}
        </>
      }
    />
  );
}

export function CutSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { step, showMove, cutsDone } = useView();
  const { cut } = plan;
  const now = Math.min(step, cut.moves.length - 1);
  return (
    <Slip
      title="Cut"
      part={cut}
      spoken={spokenOf(workshop)}
      after={
        <>
          <TakeAway what="cut" format="svg" label={cut.machine ? 'Machine file, SVG' : 'Cut and crease drawing, SVG'} />
          {!cut.machine && <TakeAway what="cut" format="csv" label="Settings for fence and stop, CSV" />}
          <TakeAway what="cut" format="dxf" label={cut.machine ? 'Machine file, DXF' : 'Cut and crease drawing, DXF'} />
        </>
      }
    >
      <Pick
        label="Cut with"
        value={job.cut.trimmerId}
        onChange={(id) => change([decide((job) => job.cut.trimmerId, id)])}
        sections={[
          {
            heading: null,
            options: workshop.trimmers.map((t) => ({
              id: t.id,
              name: t.name,
              note: `${formatLength(t.longestCutMm, workshop.unit)} long`,
            })),
          },
        ]}
      />
      {plan.size.form.blank.creases.length > 0 && (
        <div>
          <Choice
            label="First comes"
            value={!cut.order.through.ok && job.cut.order === 'scoreFirst' ? 'byTools' : (job.cut.order ?? 'byTools')}
            options={[
              { id: 'byTools', name: 'As tools suit' },
              { id: 'cutFirst', name: 'The cut' },
              // Offered where hands can do it; otherwise the sentence below says why not.
              ...(cut.order.through.ok ? [{ id: 'scoreFirst' as const, name: 'The score' }] : []),
            ]}
            onChange={(order) => change([decide((job) => job.cut.order, order)])}
          />
          <Why>{cut.order.why}</Why>
        </div>
      )}
      {(cut.moves.length > 0 || cut.machine) && <Caution role="note">{CAUTIONS[cut.trimmer.kind]}</Caution>}
      {cut.machine && <StandInMachine plan={plan} job={job} />}
      <StepList aria-label="Cutting moves">
        {cut.moves.map((move, i) => (
          <li key={move.number}>
            <Button aria-current={i === now ? 'step' : undefined} onPress={() => showMove(i)}>
              <span className="n">{cutsDone.includes(move.number) ? '✓' : move.number}</span>
              <span>
                <span className="big">{formatLength(move.fenceMm, workshop.unit)}</span>
                <span className="turn">{move.turn}</span>
              </span>
              <span className="text">{move.text}</span>
            </Button>
          </li>
        ))}
      </StepList>
      {cut.outlines.length > 0 && (
        <ByHand>
          <h3>{cut.moves.length > 0 ? 'Then by hand' : 'By hand'}</h3>
          {cut.outlines.map((outline) => (
            <div key={outline.id}>
              <b>{outline.big}</b>
              <p>{outline.text}</p>
            </div>
          ))}
          {[...new Set(cut.outlines.map(({ tool }) => tool))].map((tool) => (
            <Caution key={tool} role="note">
              {CAUTIONS[tool]}
            </Caution>
          ))}
        </ByHand>
      )}
    </Slip>
  );
}

const Why = styled.p`
  margin-top: 4px;
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 14px;
`;
const ByHand = styled.section`
  display: grid;
  gap: 8px;
  h3 {
    font-size: 15px;
    color: ${({ theme }) => theme.colour.plum};
  }
  b {
    font: 700 18px/1.3 ${({ theme }) => theme.font.mono};
  }
  p {
    font-size: 14px;
    line-height: 1.35;
  }
`;
