import { useCallback, useState, type ReactNode } from 'react';
import { drawDrift, DRAWN_WIDER, fixed, SPREADS_OF_95, type Scene } from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { BenchButton } from '../../ui/buttons.tsx';
import { useSides, type StationProps } from '../parts.ts';
import { DriftPress } from './DriftPress.tsx';

/** Where the blade lands 95 times in 100: each distance from a true edge, or each from the cut before. */
export function CutDrift({ job, plan, workshop }: StationProps): ReactNode {
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
          <DriftPress pressed />
        </>
      }
    />
  );
}
