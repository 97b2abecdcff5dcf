import { readText } from './kinds/text.ts';
import { namesTooLarge } from './names.ts';
import { namesFrom, type NamesFrom } from './namesFrom.ts';
import type { Refused } from './types.ts';

export type ReadNames = (Extract<NamesFrom, { ok: true }> & { readonly note: string | null }) | Refused;

/**
 * A list of plain text, headings in its first row: commas, semicolons or tabs.
 * What cannot be right is refused with the row it stands in.
 */
export function readNames(bytes: Uint8Array): ReadNames {
  const large = namesTooLarge(bytes.length);
  if (large) return { ok: false, why: large };
  const read = readText(bytes);
  if (!read.ok) return read;
  const names = namesFrom(read.tables[0]!.rows, { heading: 0 });
  return names.ok ? { ...names, note: read.note } : names;
}
