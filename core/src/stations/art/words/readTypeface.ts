import * as hb from 'harfbuzzjs';
import { embeddingOf } from './embedding.ts';
import type { OutlineCommand, ShapedGlyph, Typeface } from './typefaces.ts';
import { unpackWoff, type Unzlib } from './woff.ts';

export { unpackWoff };
export { fontFacts, type FontFacts } from './fontFacts.ts';

/** One face of a job holds few distinct lines; the cap only guards long hours of typing. */
const MOST_LINES_KEPT = 2000;

/**
 * Reads a font file (WOFF, TrueType or OpenType) for text setting, with kerning and ligatures.
 * @throws RangeError when the bytes hold no font
 */
export function readTypeface(id: string, bytes: Uint8Array, unzlib?: Unzlib): Typeface {
  const face = new hb.Face(new hb.Blob(new Uint8Array(unpackWoff(bytes, unzlib)).buffer));
  if (face.upem === 0 || face.collectUnicodes().length === 0)
    throw new RangeError(`readTypeface: “${id}” wanted a font, got ${bytes.length} other bytes`);
  const font = new hb.Font(face);
  const em = 1 / face.upem;
  const extents = font.hExtents();
  const lines = new Map<string, readonly ShapedGlyph[]>();
  const outlines = new Map<number, readonly OutlineCommand[]>();
  const inks = new Map<number, ShapedGlyph['inkEm']>();

  const inkOf = (glyphId: number): ShapedGlyph['inkEm'] => {
    const known = inks.get(glyphId);
    if (known !== undefined) return known;
    const box = font.glyphExtents(glyphId);
    // Height counts downwards from the top bearing.
    const ink =
      box && box.width !== 0
        ? {
            left: box.xBearing * em,
            right: (box.xBearing + box.width) * em,
            top: box.yBearing * em,
            bottom: (box.yBearing + box.height) * em,
          }
        : null;
    inks.set(glyphId, ink);
    return ink;
  };

  const letters = new Set<number>(face.collectUnicodes());
  const apart = ['-liga', '-clig', '-dlig'].map((text) => hb.Feature.fromString(text)!);

  const shapeLine = (text: string, ligatures: boolean): readonly ShapedGlyph[] => {
    const buffer = new hb.Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    hb.shape(font, buffer, ligatures ? [] : apart);
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    let x = 0;
    return infos.map((info, i) => {
      const at = positions[i]!;
      const placed: ShapedGlyph = {
        id: info.codepoint,
        xEm: (x + at.xOffset) * em,
        yEm: at.yOffset * em,
        advanceEm: at.xAdvance * em,
        chars: text.slice(info.cluster, infos[i + 1]?.cluster ?? text.length),
        inkEm: inkOf(info.codepoint),
      };
      x += at.xAdvance;
      return placed;
    });
  };

  return {
    id,
    ascentEm: extents.ascender * em,
    descentEm: -extents.descender * em,
    embedding: embeddingOf(face.referenceTable('OS/2')),
    ink: inkOf,
    has: (char) => letters.has(char.codePointAt(0)!),
    shape(text, ligatures = true) {
      const key = ligatures ? text : `\u0000${text}`;
      const known = lines.get(key);
      if (known) return known;
      if (lines.size >= MOST_LINES_KEPT) lines.clear();
      const glyphs = shapeLine(text, ligatures);
      lines.set(key, glyphs);
      return glyphs;
    },
    outline(glyphId) {
      const known = outlines.get(glyphId);
      if (known) return known;
      const commands = font.glyphToJson(glyphId).map(({ type, values }): OutlineCommand => ({
        letter: type as OutlineCommand['letter'],
        numbers: values.map((n) => n * em),
      }));
      outlines.set(glyphId, commands);
      return commands;
    },
  };
}
