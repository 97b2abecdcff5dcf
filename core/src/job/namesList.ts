import type { Job, NamesList, TextBlock } from './types.ts';

const FIELD = /\{([^{}\n]{1,80})\}/g;
const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
/** A column of one of these names says how many cards a row wants. */
const COUNTS = /^(count|cards|copies|how many|quantity|qty)$/i;

/** Names in braces, each once, in the order they are met. */
export const fieldsIn = (text: string): readonly string[] => [
  ...new Set([...text.matchAll(FIELD)].map((found) => found[1]!.trim())),
];

const columnOf = (names: NamesList, field: string): number => names.columns.findIndex((column) => same(column, field));

/** True when some words of the block come from the list. */
export const isNamed = (block: Pick<TextBlock, 'text'>, names: NamesList | null | undefined): boolean =>
  Boolean(names) && fieldsIn(block.text).some((field) => columnOf(names!, field) >= 0);

/** The words of one row in the place of the braces; a field the list has no column for stays as it was typed. */
export function fillFields(text: string, names: NamesList, row: number | null): string {
  return text.replace(FIELD, (typed, field: string) => {
    const column = columnOf(names, field);
    if (column < 0) return typed;
    return row === null ? '' : (names.rows[row]?.[column] ?? '');
  });
}

/** The same line by line, without those that ask for words of which the row has none. */
export const fillLines = (text: string, names: NamesList, row: number | null): string =>
  text
    .split('\n')
    .filter((line) => fieldsIn(line).length === 0 || fillFields(line, names, row).trim() !== '')
    .map((line) => fillFields(line, names, row).trim())
    .join('\n');

/** The row of every card: once, or as often as the row’s own count says. */
export function cardRows(names: NamesList): readonly number[] {
  let rows = known.get(names);
  if (!rows) known.set(names, (rows = countRows(names)));
  return rows;
}

/** Every sheet of a thousand cards asks for the same rows. */
const known = new WeakMap<NamesList, readonly number[]>();

/** A count in a list: a whole number of cards, and not so many that it must be a slip. */
const COUNT = /^\d{1,4}$/;
const countColumn = (names: NamesList): number => names.columns.findIndex((column) => COUNTS.test(column.trim()));

function countRows(names: NamesList): readonly number[] {
  const counts = countColumn(names);
  return names.rows.flatMap((row, i) => {
    const said = counts < 0 ? '1' : (row[counts] ?? '').trim();
    // What is no count prints nothing until it is put right, and stops the job meanwhile.
    return Array.from({ length: COUNT.test(said) ? Number(said) : 0 }, () => i);
  });
}

/** Counts that are no whole number of cards, by their row counted from nought. */
export function wrongCounts(
  names: NamesList,
): readonly { readonly row: number; readonly column: number; readonly text: string }[] {
  const column = countColumn(names);
  if (column < 0) return [];
  return names.rows.flatMap((cells, row) => {
    const text = (cells[column] ?? '').trim();
    return COUNT.test(text) ? [] : [{ row, column, text }];
  });
}

/** What a row is called where one must be named: its first cell that is no count and not empty. */
export function rowName(names: NamesList, row: number): string {
  const counts = countColumn(names);
  return names.rows[row]?.find((cell, i) => i !== counts && cell.trim() !== '')?.trim() ?? `row ${row + 2}`;
}

/** Good cards that the job makes: as many as its list has, unless the maker said that the number typed decides. */
export function wantedOf(job: Job): number {
  const names = namesInUse(job);
  const listed = names && names.decides !== false ? cardRows(names).length : 0;
  return listed > 0 ? listed : job.brief.wanted;
}

/**
 * The row of a card by its number: of the list; then, for spares, of the names chosen to repeat, in turn; null for one
 * that is left bare to be written on by hand.
 */
export function rowOfCard(names: NamesList, card: number): number | null {
  const rows = cardRows(names);
  if (card < rows.length) return rows[card]!;
  const again = (names.repeat ?? []).filter((row) => row < names.rows.length);
  return again.length > 0 ? again[(card - rows.length) % again.length]! : null;
}

/** The job’s list, when some words on some face ask for it. */
export function namesInUse(job: Job): NamesList | null {
  const { names } = job;
  if (!names || names.rows.length === 0) return null;
  const blocks = Object.values(job.art.faces).flatMap((face) => face.texts);
  return blocks.some((block) => isNamed(block, names)) ? names : null;
}
