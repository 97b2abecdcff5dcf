import type { Column, MixedOrder } from './types.ts';

/** Sheets that may run out, in the order of their rows in the programme. */
export const limitsOf = ({ sheets }: MixedOrder): readonly { readonly sheet: number; readonly most: number }[] =>
  sheets.flatMap(({ most }, sheet) => (most === null ? [] : [{ sheet, most }]));

/**
 * min Σ cost·x, so many of each piece at least, and no more of a sheet than there are.
 * @param wanted of each piece, where it is not what the order asks for
 * @param spent of each sheet already, by its place in the order
 */
export function programme(
  columns: readonly Column[],
  order: MixedOrder,
  integer: boolean,
  wanted: readonly number[] = order.pieces.map((piece) => piece.wanted),
  spent: readonly number[] = [],
): string {
  const { pieces, sheets } = order;
  const names = columns.map((_, j) => `x${j}`);
  const rows = pieces.map((_, i) => {
    const terms = columns.flatMap(({ counts }, j) => (counts[i]! > 0 ? [`${counts[i]} x${j}`] : []));
    return ` r${i}: ${terms.join(' + ')} >= ${wanted[i]}`;
  });
  const limits = limitsOf(order).map(({ sheet, most }, k) => {
    const terms = columns.flatMap((column, j) => (column.sheet === sheet ? [`x${j}`] : []));
    // A sheet that nothing was laid on yet keeps its row, so that rows keep their numbers.
    return ` r${pieces.length + k}: ${terms.length > 0 ? terms.join(' + ') : '0 x0'} <= ${Math.max(0, most - (spent[sheet] ?? 0))}`;
  });
  return [
    'Minimize',
    ` obj: ${columns.map(({ sheet }, j) => `${sheets[sheet]!.cost} x${j}`).join(' + ')}`,
    'Subject To',
    ...rows,
    ...limits,
    ...(integer ? ['General', ` ${names.join(' ')}`] : []),
    'End',
  ].join('\n');
}
