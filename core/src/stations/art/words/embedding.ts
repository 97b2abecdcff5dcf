/**
 * How far a font may go into a file, as its makers say in it: `installable` and `editable` into files that are worked on,
 * `print` into files for looking at and printing, `none` into none.
 */
export interface Embedding {
  readonly level: 'installable' | 'editable' | 'print' | 'none';
  /** A part of it, with only the letters that are used, may stand in a file. */
  readonly inPart: boolean;
}

/** Bits of fsType. Source: ISO/IEC 14496-22, OS/2, fsType */
const BIT = { none: 0x0002, print: 0x0004, editable: 0x0008, whole: 0x0100, bitmapsOnly: 0x0200 } as const;
const FSTYPE_AT = 8;

/**
 * Reads what a font’s makers allow from its OS/2 table. Where several levels are set, as old fonts do, the least
 * restrictive holds; a font without the table says nothing, and is taken to go no further than into print.
 * Source: ISO/IEC 14496-22, OS/2, fsType
 */
export function embeddingOf(os2: Uint8Array | undefined): Embedding {
  if (!os2 || os2.byteLength < FSTYPE_AT + 2) return { level: 'print', inPart: true };
  const bits = new DataView(os2.buffer, os2.byteOffset, os2.byteLength).getUint16(FSTYPE_AT);
  const has = (bit: number): boolean => (bits & bit) !== 0;
  const said = has(BIT.editable) ? 'editable' : has(BIT.print) ? 'print' : has(BIT.none) ? 'none' : 'installable';
  // Only its bitmaps may be embedded, and words on cards are set in outlines.
  return { level: has(BIT.bitmapsOnly) ? 'none' : said, inPart: !has(BIT.whole) };
}

/** Files hold the letters that are used, never a whole font. */
export const mayEmbed = ({ level, inPart }: Embedding): boolean => level !== 'none' && inPart;
/** A job’s own file holds the font as it came, for whoever opens it to work on. */
export const mayTravel = ({ level }: Embedding): boolean => level === 'installable' || level === 'editable';
