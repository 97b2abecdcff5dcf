import Papa from 'papaparse';
import type { ListKind, ReadTables, Refused } from '../types.ts';

/** A list as it is saved by a spreadsheet: commas, semicolons or tabs between its cells; also what is pasted. */
export const TEXT: ListKind = { knows: () => true, read: readText };

export function readText(bytes: Uint8Array): ReadTables {
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
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  return { ok: true, tables: [{ name: '', rows }], plain: true, note: decoded.note };
}

/** The first row decides: names hold commas and semicolons of their own. */
function delimiterOf(text: string): string {
  const headings = text
    .trimStart()
    .split(/\r?\n|\r/, 1)[0]!
    .replace(/"[^"]*"/g, '');
  const count = (mark: string): number => headings.split(mark).length;
  return ['\t', ';', ','].reduce((best, mark) => (count(mark) >= count(best) ? mark : best));
}

/** Text in the encodings that spreadsheets write: UTF-8, UTF-16 with its mark, and the old western one. */
export function decode(
  bytes: Uint8Array,
): { readonly ok: true; readonly text: string; readonly note: string | null } | Refused {
  const [a, b] = bytes;
  const utf16 = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;
  if (utf16) return { ok: true, text: new TextDecoder(utf16).decode(bytes), note: null };
  if (bytes.subarray(0, 4000).includes(0))
    return {
      ok: false,
      why: 'This is no list that can be read here; save it from its program as XLSX, ODS, CSV or vCard and try again.',
    };
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
