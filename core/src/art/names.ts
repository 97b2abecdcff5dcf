import Papa from 'papaparse';
import type { Job, NamesList, TextBlock } from '../job/types.ts';

/** Limits that keep a list within what a studio sends and a page can show. */
export const NAMES_LIMITS = { bytes: 4 * 1024 * 1024, rows: 5000, columns: 40, cell: 300 } as const;

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

/** What is wrong with a file of so many bytes, before it is opened; null when nothing is. */
export const namesTooLarge = (bytes: number): string | null =>
  bytes > NAMES_LIMITS.bytes
    ? `The list is ${(bytes / 1048576).toFixed(0)} MB and the most is ${NAMES_LIMITS.bytes / 1048576} MB; keep only the columns that are printed.`
    : null;

export type ReadNames =
  | { readonly ok: true; readonly names: NamesList; readonly note: string | null }
  | { readonly ok: false; readonly why: string };

/**
 * A list as it is saved by a spreadsheet: commas, semicolons or tabs, headings in the first row.
 * What cannot be right is refused with the row it stands in.
 */
export function readNames(bytes: Uint8Array): ReadNames {
  const large = namesTooLarge(bytes.length);
  if (large) return { ok: false, why: large };
  const decoded = decode(bytes);
  if (!decoded.ok) return decoded;
  const { data, errors } = Papa.parse<string[]>(decoded.text, {
    skipEmptyLines: 'greedy',
    delimiter: delimiterOf(decoded.text),
  });
  const quotes = errors.find((error) => error.type === 'Quotes');
  if (quotes)
    return {
      ok: false,
      why: `Row ${(quotes.row ?? 0) + 1} has a quotation mark that is never closed; close it, or take it out.`,
    };
  const [columns, ...rows] = data.map((row) => row.map((cell) => cell.trim()));
  if (!columns || columns.every((heading) => heading === ''))
    return { ok: false, why: 'The list is empty; its first row names the columns, such as name and table.' };
  while (columns.length > 1 && columns.at(-1) === '') columns.pop();
  if (columns.length > NAMES_LIMITS.columns)
    return {
      ok: false,
      why: `The list has ${columns.length} columns and the most is ${NAMES_LIMITS.columns}; keep those that are printed.`,
    };
  if (rows.length > NAMES_LIMITS.rows)
    return {
      ok: false,
      why: `The list has ${rows.length} rows and the most is ${NAMES_LIMITS.rows}; part it into several jobs.`,
    };
  const nameless = columns.indexOf('');
  if (nameless >= 0)
    return {
      ok: false,
      why: `Column ${nameless + 1} has no heading; name it in the first row, so that words can ask for it.`,
    };
  const twice = columns.find((heading, i) => columns.findIndex((other) => same(other, heading)) < i);
  if (twice) return { ok: false, why: `Two columns are called “${twice}”; give each a name of its own.` };
  for (const [i, row] of rows.entries()) {
    const more = row.slice(columns.length).some((cell) => cell !== '');
    if (more || row.length < columns.length)
      return {
        ok: false,
        why: `Row ${i + 2} has ${row.length} ${row.length === 1 ? 'cell' : 'cells'} and the headings are ${columns.length}: ${more ? 'put quotation marks round a cell that has a comma in it' : 'fill its missing cells, or leave them empty between commas'}.`,
      };
    const long = row.find((cell) => cell.length > NAMES_LIMITS.cell);
    if (long)
      return {
        ok: false,
        why: `Row ${i + 2} has a cell of ${long.length} letters and the most is ${NAMES_LIMITS.cell}; shorten it.`,
      };
  }
  if (rows.length === 0) return { ok: false, why: 'The list has headings and no rows; add a row for every card.' };
  return {
    ok: true,
    names: { columns, rows: rows.map((row) => row.slice(0, columns.length)) },
    note: decoded.note,
  };
}

/** The headings decide: names hold commas and semicolons of their own. */
function delimiterOf(text: string): string {
  const headings = text
    .trimStart()
    .split(/\r?\n|\r/, 1)[0]!
    .replace(/"[^"]*"/g, '');
  const count = (mark: string): number => headings.split(mark).length;
  return ['\t', ';', ','].reduce((best, mark) => (count(mark) >= count(best) ? mark : best));
}

/** Text in the encodings that spreadsheets write: UTF-8, UTF-16 with its mark, and the old western one. */
function decode(
  bytes: Uint8Array,
):
  | { readonly ok: true; readonly text: string; readonly note: string | null }
  | { readonly ok: false; readonly why: string } {
  const [a, b] = bytes;
  const utf16 = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;
  if (utf16) return { ok: true, text: new TextDecoder(utf16).decode(bytes), note: null };
  if (bytes.subarray(0, 4000).includes(0))
    return { ok: false, why: 'This is no list of text; save it from the spreadsheet as CSV and try again.' };
  try {
    return { ok: true, text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), note: null };
  } catch {
    return {
      ok: true,
      text: new TextDecoder('windows-1252').decode(bytes),
      note: 'The list was saved in an old western encoding and read as such; look at the accents, and if they are wrong save it as UTF-8.',
    };
  }
}
