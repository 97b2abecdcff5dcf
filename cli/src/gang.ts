import highsLoader from 'highs';
import { fromHighs, planShared } from '@zippy/core';
import { readSharedOrder } from '@zippy/core/job-file';
import { UsageError } from './errors.ts';

const tidy = (mm: number): number => Math.round(mm * 1e6) / 1e6;

/** The fewest sheets for an order of several kinds of pieces, as JSON. */
export async function gang(file: string, value: unknown): Promise<string> {
  const read = readSharedOrder(value);
  if (!read.ok) throw new UsageError(`${file}: ${read.why}`);
  const answer = planShared(read.value, fromHighs(await highsLoader()));
  if (!answer.ok) throw new UsageError(`${file}: ${answer.why}.`);
  return JSON.stringify(
    {
      sheets: answer.sheets,
      bound: answer.bound,
      patterns: answer.patterns.map(({ times, placements }) => ({
        times,
        placements: placements.map((p) => ({
          id: p.id,
          x: tidy(p.xMm),
          y: tidy(p.yMm),
          w: tidy(p.widthMm),
          h: tidy(p.heightMm),
          turned: p.turned,
        })),
      })),
    },
    null,
    2,
  );
}
