import { ODS } from './kinds/ods.ts';
import { TEXT } from './kinds/text.ts';
import { VCARD } from './kinds/vcard.ts';
import { XLSX } from './kinds/xlsx.ts';
import { namesTooLarge } from './names.ts';
import type { CellWords, ListKind, ReadTables } from './types.ts';

/** Kinds of files that lists are kept in; the first that knows a file reads it, and plain text is what is left. */
const KINDS: readonly ListKind[] = [XLSX, ODS, VCARD, TEXT];

/**
 * What stands in a file that a list is kept in: a spreadsheet, an address book, or text.
 * @param bytes the file, whatever it is called
 * @returns its tables with their cells as words, or in one sentence why it cannot be read; it never throws
 */
export async function readTables(bytes: Uint8Array, words: CellWords): Promise<ReadTables> {
  const large = namesTooLarge(bytes.length);
  if (large) return { ok: false, why: large };
  const read = await KINDS.find(({ knows }) => knows(bytes))!.read(bytes, words);
  if (!read.ok || read.tables.some(({ rows }) => rows.length > 0)) return read;
  return { ok: false, why: 'The list is empty; its first row names the columns, such as name and table.' };
}
