import { useCallback, type ReactNode } from 'react';
import { drawCutMove, formatLength, type Scene } from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { Large } from '../../bench/Large.tsx';
import { useView } from '../../stores/view/index.ts';
import { BenchButton } from '../../ui/buttons.tsx';
import { useSides, type StationProps } from '../parts.ts';
import { Stepper } from '../Stepper.tsx';
import { DriftPress } from './DriftPress.tsx';

/** One move at a time, its number large enough to read with a blade in one hand. */
export function MovesBench({ job, plan, workshop }: StationProps): ReactNode {
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
          <DriftPress pressed={false} />
        </>
      }
    />
  );
}
