import * as fontkit from 'fontkit';
import type { Font } from 'fontkit';
import type { OutlineCommand, ShapedGlyph, Typeface } from './typefaces.ts';

const LETTERS = { moveTo: 'M', lineTo: 'L', quadraticCurveTo: 'Q', bezierCurveTo: 'C', closePath: 'Z' } as const;

/**
 * Reads a font file (WOFF, TrueType or OpenType) for text setting.
 * @throws Error when the bytes are a collection of fonts or no font at all
 */
export function readTypeface(id: string, bytes: Uint8Array): Typeface {
  const font = fontkit.create(bytes as Buffer) as Font;
  if (!('layout' in font)) throw new Error(`readTypeface: “${id}” wanted one font, got a collection`);
  const em = 1 / font.unitsPerEm;
  const shaped = new Map<string, readonly ShapedGlyph[]>();
  return {
    id,
    ascentEm: font.ascent * em,
    descentEm: -font.descent * em,
    shape(text) {
      const known = shaped.get(text);
      if (known) return known;
      const run = font.layout(text);
      let x = 0;
      const glyphs = run.glyphs.map((glyph, i): ShapedGlyph => {
        const position = run.positions[i]!;
        const { minX, minY, maxX, maxY } = glyph.bbox;
        const placed: ShapedGlyph = {
          id: glyph.id,
          xEm: (x + position.xOffset) * em,
          yEm: position.yOffset * em,
          advanceEm: position.xAdvance * em,
          chars: String.fromCodePoint(...glyph.codePoints),
          inkEm: Number.isFinite(minX) && maxX > minX ? { left: minX * em, bottom: minY * em, right: maxX * em, top: maxY * em } : null,
        };
        x += position.xAdvance;
        return placed;
      });
      // One face of a job holds few distinct lines; the cap only guards long sessions of typing.
      if (shaped.size > 2000) shaped.clear();
      shaped.set(text, glyphs);
      return glyphs;
    },
    outline: (glyphId) =>
      font.getGlyph(glyphId).path.commands.map(
        ({ command, args }): OutlineCommand => ({
          letter: LETTERS[command as keyof typeof LETTERS],
          numbers: args.map((n) => n * em),
        }),
      ),
  };
}
