import { LIMITS } from '../../../job/limits.ts';
import type { NamesList } from '../../../job/types.ts';
import type { Refused } from './types.ts';

export type NamesFrom =
  | { readonly ok: true; readonly names: NamesList }
  /** `at` says where the fault lies: another row may name the columns better, or a row wants mending in its file. */
  | (Refused & { readonly at: 'headings' | 'rows' });

/** What of a table is the list; whatever stands above the headings is not. */
export interface Chosen {
  /** The row that names the columns, from nought. */
  readonly heading: number;
  /** Columns that are kept, from nought; all of them when left out. */
  readonly columns?: readonly number[];
  /** Whether a row is kept, from nought in the table. */
  readonly keeps?: (row: number) => boolean;
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
const empty = (cells: readonly string[]): boolean => cells.every((cell) => cell === '');

/**
 * The list in a table: headings, and one row a card. Rows with nothing in them are passed over; what cannot be right is
 * refused with the row it stands in, counted as the table's program counts them.
 */
export function namesFrom(table: readonly (readonly string[])[], { heading, columns, keeps }: Chosen): NamesFrom {
  const picked = (row: readonly string[]): readonly string[] =>
    columns ? columns.map((column) => row[column] ?? '') : row;
  const headings = withoutEmptyEnd(picked(table[heading] ?? []));
  if (empty(headings))
    return {
      ok: false,
      at: 'headings',
      why: 'The list is empty; its first row names the columns, such as name and table.',
    };
  const wrong = wrongHeading(headings);
  if (wrong) return { ok: false, at: 'headings', why: wrong };
  // A comma too many moves whatever comes after it, also where the columns in front of it are the ones that are kept.
  const wide = columns ? table[heading]!.length : headings.length;
  const rows = table
    .map((row, at) => ({ cells: picked(row), at }))
    .filter(({ cells, at }) => at > heading && !empty(cells) && (keeps?.(at) ?? true));
  if (rows.length > LIMITS.names.rows)
    return {
      ok: false,
      at: 'rows',
      why: `The list has ${rows.length} rows and the most is ${LIMITS.names.rows}; part it into several jobs.`,
    };
  for (const { cells, at } of rows) {
    const why = wrongRow(table[at]!, wide) ?? longCell(cells);
    if (why) return { ok: false, at: 'rows', why: `Row ${at + 1} has ${why}` };
  }
  if (rows.length === 0)
    return { ok: false, at: 'rows', why: 'The list has headings and no rows; add a row for every card.' };
  return { ok: true, names: { columns: headings, rows: rows.map(({ cells }) => cells.slice(0, headings.length)) } };
}

/** A heading that nobody typed is none; the first always stays. */
const withoutEmptyEnd = (headings: readonly string[]): readonly string[] =>
  headings.slice(0, Math.max(1, headings.findLastIndex((heading) => heading !== '') + 1));

function wrongHeading(headings: readonly string[]): string | null {
  if (headings.length > LIMITS.names.columns)
    return `The list has ${headings.length} columns and the most is ${LIMITS.names.columns}; keep those that are printed.`;
  const nameless = headings.indexOf('');
  if (nameless >= 0)
    return `Column ${nameless + 1} has no heading; name it in the first row, so that words can ask for it.`;
  const long = headings.find((heading) => heading.length > LIMITS.names.cell);
  if (long) return `A heading has ${long.length} letters and the most is ${LIMITS.names.cell}; shorten it.`;
  const twice = headings.find((heading, i) => headings.findIndex((other) => same(other, heading)) < i);
  return twice ? `Two columns are called “${twice}”; give each a name of its own.` : null;
}

function wrongRow(cells: readonly string[], headings: number): string | null {
  const more = !empty(cells.slice(headings));
  if (more || cells.length < headings)
    return `${cells.length} ${cells.length === 1 ? 'cell' : 'cells'} and the headings are ${headings}: ${more ? 'put quotation marks round a cell that has a comma in it' : 'fill its missing cells, or leave them empty between commas'}.`;
  return null;
}

function longCell(cells: readonly string[]): string | null {
  const long = cells.find((cell) => cell.length > LIMITS.names.cell);
  return long ? `a cell of ${long.length} letters and the most is ${LIMITS.names.cell}; shorten it.` : null;
}

/** How far down a heading is looked for: a title and a date may stand above it, not a whole page. */
const LOOKED_AT = 20;

/**
 * The row that most likely names the columns: the first that fills more than half as many cells as the fullest near it.
 * A title fills one; a column of remarks may have no heading.
 */
export function likelyHeading(table: readonly (readonly string[])[]): number {
  const filled = table.slice(0, LOOKED_AT).map((row) => row.filter((cell) => cell !== '').length);
  const most = Math.max(...filled);
  return Math.max(
    0,
    filled.findIndex((cells) => cells > most / 2),
  );
}

/** Columns that a list can have: those with a heading, without a second one of the same name. */
export const namedColumns = (headings: readonly string[]): readonly number[] =>
  headings.flatMap((heading, i) =>
    heading !== '' && headings.findIndex((other) => same(other, heading)) === i ? [i] : [],
  );
