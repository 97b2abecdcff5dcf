import { useCallback, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import { CAUTIONS, drawCutMove, formatLength, type Scene } from '@zippy/core';
import styled from 'styled-components';
import { Bench } from '../../bench/Bench.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view.ts';
import { Pick } from '../../ui/Choose.tsx';
import { spokenOf, useSides, type StationProps } from '../parts.ts';
import { Caution, StepList, Stepper } from '../Stepper.tsx';

export function CutBench({ job, plan, workshop }: StationProps): ReactNode {
  const { cut, sheet, size, stock } = plan;
  const step = Math.min(
    useView((s) => s.step),
    Math.max(0, cut.moves.length - 1),
  );
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
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={move ? `Cut ${move.number}: ${move.turn}. ${move.text}` : cut.verdict}
      caption={move ? `${move.turn}. Fence at ${formatLength(move.fenceMm, workshop.unit)}.` : undefined}
      tools={<Stepper count={cut.moves.length} name="Cut" />}
    />
  );
}

export function CutSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { step, set } = useView();
  const { cut } = plan;
  const now = Math.min(step, cut.moves.length - 1);
  return (
    <Slip
      title="Cut"
      part={cut}
      spoken={spokenOf(workshop)}
      after={<TakeAway what="cut" format="svg" label="Cut and crease drawing, SVG" />}
    >
      <Pick
        label="Cut with"
        value={job.cut.trimmerId}
        onChange={(id) => change([{ path: ['cut', 'trimmerId'], value: id }])}
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
      {cut.moves.length > 0 && <Caution role="note">{CAUTIONS[cut.trimmer.kind]}</Caution>}
      <StepList aria-label="Cutting moves">
        {cut.moves.map((move, i) => (
          <li key={move.number}>
            <Button aria-current={i === now ? 'step' : undefined} onPress={() => set({ step: i })}>
              <span className="n">{move.number}</span>
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
          <h3>{cut.outlinesAfterCrease ? 'By hand, after creasing' : 'Then by hand'}</h3>
          {cut.outlines.map((outline) => (
            <div key={outline.id}>
              <b>{outline.big}</b>
              <p>{outline.text}</p>
            </div>
          ))}
          <Caution role="note">{CAUTIONS.knife}</Caution>
        </ByHand>
      )}
    </Slip>
  );
}

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
