import type { Column, MixedOrder, Programme } from './types.ts';

/** Sheets, and parts of one: a solver’s doubles stray by less, and nothing that is counted is so little. */
export const SLIGHT = 1e-7;

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
): Programme {
  const limits = limitsOf(order);
  const rowOfSheet = new Map(limits.map(({ sheet }, k) => [sheet, order.pieces.length + k]));
  return {
    costs: columns.map(({ sheet }) => order.sheets[sheet]!.cost),
    columns: columns.map(({ counts, sheet }) => {
      const entries = counts.flatMap((value, row) => (value > 0 ? [{ row, value }] : []));
      const row = rowOfSheet.get(sheet);
      return row === undefined ? entries : [...entries, { row, value: 1 }];
    }),
    rows: [
      ...order.pieces.map((_, i) => ({ least: wanted[i]!, most: Infinity })),
      ...limits.map(({ sheet, most }) => ({ least: -Infinity, most: Math.max(0, most - (spent[sheet] ?? 0)) })),
    ],
    integer,
  };
}
