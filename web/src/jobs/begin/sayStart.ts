import { formatLength, formatSize, plural, type Workshop } from '@zippy/core';
import type { Begun } from './useStarted.ts';

/** What a card that begins would be, and what of the workshop it takes. */
export function sayStart(
  { job, plan, inked }: Begun,
  { unit }: Workshop,
): { readonly verdict: string; readonly how: string } {
  const { finishedWidthMm, finishedHeightMm, bareEdgeMm = 0 } = job.size;
  const named = plan.size.name ? `${plan.size.name}, ` : '';
  const { stock, printer, path } = plan.stock;
  const { up, sheets } = (inked ?? plan).sheet;
  // An earlier job has its own art, or none; nothing is supposed of it.
  const supposed = !inked
    ? ''
    : bareEdgeMm > 0
      ? `Art ${formatLength(bareEdgeMm, unit)} short of the edges: `
      : 'Art to its edges: ';
  const each = stock.readyCut ? '' : `${up} to a sheet, `;
  const taken = `${sheets} ${plural(sheets, stock.readyCut ? 'card' : 'sheet')}`;
  const there = sheets > stock.onShelf ? `; you have ${stock.onShelf}` : ` of the ${stock.onShelf} you have`;
  return {
    verdict: `${plan.size.formatName}, ${named}${formatSize(finishedWidthMm, finishedHeightMm, unit)}.`,
    how: `On ${stock.name}, through the ${path.name} of ${printer.name}. ${supposed}${each}${taken}${there}.`,
  };
}
