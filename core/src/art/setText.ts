import type { TextBlock } from '../job/types.ts';
import { MM_PER_POINT, type Mm } from '../length/types.ts';
import type { Box, Point } from '../geometry/types.ts';
import { boxAround } from '../geometry/box.ts';
import type { ShapedGlyph, Typeface } from './typefaces.ts';

export interface SetLine {
  readonly text: string;
  /** Start of the baseline on the face. */
  readonly at: Point;
  readonly sizeMm: Mm;
  readonly typefaceId: string;
  readonly colour: string;
  readonly glyphs: readonly { readonly id: number; readonly xMm: Mm; readonly chars: string }[];
  /** SVG path data on the face, millimetres. */
  readonly outline: string;
}

export interface SetBlock {
  readonly blockId: string;
  readonly lines: readonly SetLine[];
  /** All of the block's line boxes. */
  readonly box: Box;
  /** What will really be printed, or null when only spaces are typed. */
  readonly ink: Box | null;
  /** Words wider than the block; they stick out of it. */
  readonly tooWide: readonly string[];
  /** Characters the typeface has no letter for. */
  readonly missing: readonly string[];
}

/** A block leaves this much between a word and the width it was given before calling it too wide. */
const OVERFLOW_MM = 0.01;

/**
 * Breaks a block into lines and places every glyph, in millimetres on the face.
 * Lines break at spaces, as late as they can; a typed new line always breaks. The baseline sits so
 * that ascent and descent are centred in the line's height, as CSS inline layout does.
 */
export function setText(block: TextBlock, typeface: Typeface): SetBlock {
  let known = kept.get(typeface);
  if (!known) kept.set(typeface, (known = new Map()));
  const key = JSON.stringify(block);
  let set = known.get(key);
  if (!set) {
    if (known.size >= MOST_BLOCKS_KEPT) known.clear();
    set = setAfresh(block, typeface);
    known.set(key, set);
  }
  return set;
}

/** While one block is being typed, the others are not set again; outlines are most of the time of a plan. */
const kept = new WeakMap<Typeface, Map<string, SetBlock>>();
const MOST_BLOCKS_KEPT = 300;

function setAfresh(block: TextBlock, typeface: Typeface): SetBlock {
  const sizeMm = block.sizePt * MM_PER_POINT;
  const lineMm = sizeMm * block.lineSpacing;
  const firstBaselineMm = lineMm / 2 + ((typeface.ascentEm - typeface.descentEm) / 2) * sizeMm;
  const widthOf = (text: string): number => advance(typeface.shape(text)) * sizeMm;
  const texts = block.text.split('\n').flatMap((paragraph) => breakLines(paragraph, block.widthMm, widthOf));
  const missing = new Set<string>();
  const inks: Point[] = [];
  const lines = texts.map((text, i): SetLine => {
    const shaped = typeface.shape(text);
    const spareMm = block.widthMm - advance(shaped) * sizeMm;
    const shift = block.align === 'left' ? 0 : block.align === 'centre' ? spareMm / 2 : spareMm;
    const at = { xMm: block.leftMm + shift, yMm: block.topMm + firstBaselineMm + i * lineMm };
    for (const glyph of shaped) {
      if (glyph.id === 0) missing.add(glyph.chars);
      if (!glyph.inkEm) continue;
      const x = at.xMm + glyph.xEm * sizeMm;
      const y = at.yMm - glyph.yEm * sizeMm;
      inks.push({ xMm: x + glyph.inkEm.left * sizeMm, yMm: y - glyph.inkEm.top * sizeMm });
      inks.push({ xMm: x + glyph.inkEm.right * sizeMm, yMm: y - glyph.inkEm.bottom * sizeMm });
    }
    return {
      text,
      at,
      sizeMm,
      typefaceId: block.typefaceId,
      colour: block.colour,
      glyphs: shaped.map(({ id, xEm, chars }) => ({ id, xMm: xEm * sizeMm, chars })),
      outline: outlineOf(shaped, typeface, at, sizeMm),
    };
  });
  return {
    blockId: block.id,
    lines,
    box: { xMm: block.leftMm, yMm: block.topMm, widthMm: block.widthMm, heightMm: lineMm * texts.length },
    ink: inks.length > 0 ? boxAround(inks) : null,
    tooWide: texts.filter((text) => widthOf(text) > block.widthMm + OVERFLOW_MM),
    missing: [...missing],
  };
}

const advance = (glyphs: readonly ShapedGlyph[]): number => {
  const last = glyphs.at(-1);
  return last ? last.xEm + last.advanceEm : 0;
};

/** Greedy lines: each takes words while they fit. A single word wider than the block keeps a line to itself. */
function breakLines(paragraph: string, widthMm: Mm, widthOf: (text: string) => number): readonly string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of paragraph.split(/ +/)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && widthOf(longer) > widthMm + OVERFLOW_MM) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return [...lines, line];
}

function outlineOf(glyphs: readonly ShapedGlyph[], typeface: Typeface, at: Point, sizeMm: Mm): string {
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
