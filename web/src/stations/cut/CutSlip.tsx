import type { ReactNode } from 'react';
import { Button } from 'react-aria-components';
import styled from 'styled-components';
import { CAUTIONS, decide, formatLength } from '@zippy/core';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Caution, StepList } from '../Stepper.tsx';
import { ByHand } from './ByHand.tsx';
import { LayerMoves } from './LayerMoves.tsx';
import { StandInMachine } from './StandInMachine.tsx';

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
      {(cut.moves.length > 0 || cut.layers.length > 0 || cut.machine) && (
        <Caution role="note">{CAUTIONS[cut.trimmer.kind]}</Caution>
      )}
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
      <LayerMoves cut={cut} unit={workshop.unit} />
      <ByHand cut={cut} />
    </Slip>
  );
}

const Why = styled.p`
  margin-top: 4px;
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 14px;
`;
