import Papa from 'papaparse';
import type { NamesList } from '../../../job/types.ts';
import { LIMITS } from '../../../job/limits.ts';
import { namesTooLarge } from './names.ts';

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

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
  if (columns.length > LIMITS.names.columns)
    return {
      ok: false,
      why: `The list has ${columns.length} columns and the most is ${LIMITS.names.columns}; keep those that are printed.`,
    };
  if (rows.length > LIMITS.names.rows)
    return {
      ok: false,
      why: `The list has ${rows.length} rows and the most is ${LIMITS.names.rows}; part it into several jobs.`,
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
    const long = row.find((cell) => cell.length > LIMITS.names.cell);
    if (long)
      return {
        ok: false,
        why: `Row ${i + 2} has a cell of ${long.length} letters and the most is ${LIMITS.names.cell}; shorten it.`,
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
