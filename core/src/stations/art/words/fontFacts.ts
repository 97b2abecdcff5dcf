import * as hb from 'harfbuzzjs';
import { embeddingOf, type Embedding } from './embedding.ts';
import { unpackWoff, type Unzlib } from './woff.ts';

/** What a font file says of itself. */
export interface FontFacts {
  /** Its full name, or family and style; null where it says none. */
  readonly name: string | null;
  readonly embedding: Embedding;
  /** How many letters and signs it has. */
  readonly letters: number;
  /** The first few hundred of them, one after the other. */
  readonly sample: string;
  /** Some of them have outlines, so that words in it can be drawn. */
  readonly drawn: boolean;
  /** It holds a range of styles, of which the one it begins with is used. */
  readonly variable: boolean;
}

/** Kinds of names in a font. Source: ISO/IEC 14496-22, name, name IDs */
const NAME = { family: 1, style: 2, full: 4 } as const;
/** Letters of a sample. Enough to be typical; the first ones may all be blank. */
const SAMPLE = 300;

/**
 * Reads what a font file (WOFF, TrueType or OpenType) says of itself.
 * @throws RangeError when the bytes hold no font, or its packing states other lengths than it has
 */
export function fontFacts(bytes: Uint8Array, unzlib?: Unzlib): FontFacts {
  const face = new hb.Face(new hb.Blob(new Uint8Array(unpackWoff(bytes, unzlib)).buffer));
  const letters = face.collectUnicodes();
  if (face.upem === 0 || letters.length === 0)
    throw new RangeError(`fontFacts: wanted a font, got ${bytes.length} other bytes`);
  const font = new hb.Font(face);
  const sample = [...letters.subarray(0, SAMPLE)];
  const named = (id: number): string => face.getName(id, 'en').trim();
  const { family, style, full } = NAME;
  return {
    name: named(full) || [named(family), named(style)].filter(Boolean).join(' ') || null,
    embedding: embeddingOf(face.referenceTable('OS/2')),
    letters: letters.length,
    sample: String.fromCodePoint(...sample),
    drawn: sample.some((letter) => {
      const glyph = font.nominalGlyph(letter);
      return glyph !== undefined && font.glyphToJson(glyph).length > 0;
    }),
    variable: Object.keys(face.getAxisInfos()).length > 0,
  };
}
