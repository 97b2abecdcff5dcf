import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { ShapedGlyph, Typeface } from './typefaces.ts';

/** Shaped letters as SVG path data, their baseline starting at a point. */
export function outlineOf(glyphs: readonly ShapedGlyph[], typeface: Typeface, at: Point, sizeMm: Mm): string {
  const parts: string[] = [];
  for (const glyph of glyphs) {
    const x0 = at.xMm + glyph.xEm * sizeMm;
    const y0 = at.yMm - glyph.yEm * sizeMm;
    for (const { letter, numbers } of typeface.outline(glyph.id))
      // Outlines have y up, the page y down.
      parts.push(letter + numbers.map((n, i) => micron(i % 2 === 0 ? x0 + n * sizeMm : y0 - n * sizeMm)).join(' '));
  }
  return parts.join('');
}

/** A micron is finer than any printer's dot. */
const micron = (mm: number): number => Math.round(mm * 1000) / 1000;
