import type { TextBlock } from '../../../job/types.ts';
import { MM_PER_POINT, type Mm } from '../../../ground/length/types.ts';
import { apply, rotationAbout } from '../../../ground/geometry/affine.ts';
import type { Box, Point } from '../../../ground/geometry/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { outlineOf } from './outlineOf.ts';
import { runsOf, type Run } from './runs.ts';
import { typefaceIn, type ShapedGlyph, type TypefaceBook } from './typefaces.ts';

/** Letters in a row, in one typeface at one size. A typed line is one of these, or several where its letters differ. */
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
  /** Turned clockwise about a point once it is set, as the letters of an arc are. */
  readonly turn?: { readonly deg: number; readonly about: Point };
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
  /** Of the size that was asked, after fitting. */
  readonly fitted: number;
}

/** A block leaves this much between a word and the width it was given before calling it too wide. */
const OVERFLOW_MM = 0.01;
/** Fitting never makes letters larger than this. */
const LARGEST_PT = 400;

/**
 * Breaks a block into lines and places every glyph, in millimetres on the face.
 * Lines break at spaces, as late as they can; a typed new line always breaks. The baseline sits so
 * that ascent and descent are centred in the line's height, as CSS inline layout does.
 * @param outlines files with fonts, and checks, need none, and most of the time goes into them
 * @throws RangeError when a typeface of the block that ships is not in the book
 */
export function setText(block: TextBlock, book: TypefaceBook, outlines = true): SetBlock {
  let known = kept.get(book);
  if (!known) kept.set(book, (known = new Map<string, SetBlock>()));
  const key = `${outlines ? '' : '-'}${JSON.stringify(block)}`;
  let set = known.get(key);
  if (!set) {
    if (known.size >= MOST_BLOCKS_KEPT) known.clear();
    set = setAfresh(block, book, outlines);
    known.set(key, set);
  }
  return set;
}

/** While one block is being typed, the others are not set again; outlines are most of the time of a plan. */
const kept = new WeakMap<TypefaceBook, Map<string, SetBlock>>();
const MOST_BLOCKS_KEPT = 6000;

/** A run at its place along the line, shaped. */
interface Laid extends Run {
  readonly xMm: Mm;
  readonly sizeMm: Mm;
  readonly glyphs: readonly ShapedGlyph[];
}

interface Line {
  readonly text: string;
  readonly sizeMm: Mm;
  readonly typefaceId: string;
}

function setAfresh(block: TextBlock, book: TypefaceBook, outlines: boolean): SetBlock {
  const { emphasis, fit = 'none', letterSpacingEm = 0 } = block;
  const shape = (line: Line): readonly Laid[] => {
    let x = 0;
    return runsOf(line.text, { ...block, typefaceId: line.typefaceId }, book).map((run): Laid => {
      const sizeMm = line.sizeMm * run.scale;
      const glyphs = spaced(run.typeface.shape(run.text, letterSpacingEm === 0), letterSpacingEm / run.scale);
      const laid = { ...run, sizeMm, glyphs, xMm: x };
      x += advance(glyphs) * sizeMm;
      return laid;
    });
  };
  const widthOf = (line: Line): Mm => {
    const last = shape(line).at(-1);
    // Space is added between letters, not after the last.
    return last ? last.xMm + advance(last.glyphs) * last.sizeMm - letterSpacingEm * line.sizeMm : 0;
  };
  const typed = (sizePt: number): readonly Line[] =>
    block.text.split('\n').map((text, i) => {
      const large = emphasis?.lines.includes(i);
      return {
        text,
        sizeMm: sizePt * MM_PER_POINT * (large ? emphasis!.scale : 1),
        typefaceId: large ? emphasis!.typefaceId : block.typefaceId,
      };
    });
  const natural = fit === 'none' ? 0 : Math.max(0, ...typed(block.sizePt).map(widthOf));
  const wanted = natural > 0 ? block.widthMm / natural : 1;
  const fitted = fit === 'none' ? 1 : Math.min(fit === 'shrink' ? 1 : LARGEST_PT / block.sizePt, wanted);
  const paragraphs = typed(block.sizePt * fitted);
  const lines = fit === 'none' ? paragraphs.flatMap((line) => broken(line, block.widthMm, widthOf)) : paragraphs;
  const missing = new Set<string>();
  const inks: Point[] = [];
  const set: SetLine[] = [];
  let y = block.topMm;
  for (const line of lines) {
    const lineMm = line.sizeMm * block.lineSpacing;
    const face = typefaceIn(book, line.typefaceId);
    const baseline = y + lineMm / 2 + ((face.ascentEm - face.descentEm) / 2) * line.sizeMm;
    y += lineMm;
    const width = widthOf(line);
    const spare = block.widthMm - width;
    const left = block.leftMm + (block.align === 'left' ? 0 : block.align === 'centre' ? spare / 2 : spare);
    const own = shape(line).flatMap((run): readonly SetLine[] => {
      const at = { xMm: left + run.xMm, yMm: baseline - run.riseEm * line.sizeMm };
      return block.arcMm
        ? bent(
            run,
            at,
            block.colour,
            {
              radiusMm: block.arcMm,
              centreXMm: block.leftMm + block.widthMm / 2,
              firstMm: block.topMm,
              baselineMm: baseline,
            },
            outlines,
          )
        : [setRun(run, at, block.colour, run.glyphs, outlines)];
    });
    for (const run of shape(line)) for (const glyph of run.glyphs) if (glyph.id === 0) missing.add(glyph.chars);
    for (const part of own) inks.push(...inkOf(part, book));
    set.push(...own);
  }
  return {
    blockId: block.id,
    lines: set,
    box: { xMm: block.leftMm, yMm: block.topMm, widthMm: block.widthMm, heightMm: y - block.topMm },
    ink: inks.length > 0 ? boxAround(inks) : null,
    tooWide: lines.filter((line) => widthOf(line) > block.widthMm + OVERFLOW_MM).map(({ text }) => text),
    missing: [...missing],
    fitted,
  };
}

const advance = (glyphs: readonly ShapedGlyph[]): number => {
  const last = glyphs.at(-1);
  return last ? last.xEm + last.advanceEm : 0;
};

const spaced = (glyphs: readonly ShapedGlyph[], byEm: number): readonly ShapedGlyph[] =>
  byEm === 0
    ? glyphs
    : glyphs.map((glyph, i) => ({ ...glyph, xEm: glyph.xEm + i * byEm, advanceEm: glyph.advanceEm + byEm }));

function setRun(
  { typeface, sizeMm, text }: Pick<Laid, 'typeface' | 'sizeMm' | 'text'>,
  at: Point,
  colour: string,
  glyphs: readonly ShapedGlyph[],
  outlines: boolean,
): SetLine {
  return {
    text,
    at,
    sizeMm,
    typefaceId: typeface.id,
    colour,
    glyphs: glyphs.map(({ id, xEm, chars }) => ({ id, xMm: xEm * sizeMm, chars })),
    outline: outlines ? outlineOf(glyphs, typeface, at, sizeMm) : '',
  };
}

interface Arc {
  /** Of the block’s first line; below nought the middle of the line sinks. */
  readonly radiusMm: Mm;
  readonly centreXMm: Mm;
  readonly firstMm: Mm;
  readonly baselineMm: Mm;
}

/**
 * Every letter turned to stand on a circle: the middle of its advance lies on the baseline’s circle, as far round
 * it as it was along the straight line. Lines below share the first one’s centre.
 */
function bent(
  run: Laid,
  at: Point,
  colour: string,
  { radiusMm, centreXMm, firstMm, baselineMm }: Arc,
  outlines: boolean,
): readonly SetLine[] {
  const down = baselineMm - firstMm;
  // Lines further from the top lie nearer the centre of an arc that is bent up, and farther from one bent down.
  const radius = radiusMm > 0 ? Math.max(radiusMm - down, radiusMm / 10) : radiusMm - down;
  return run.glyphs.flatMap((glyph): readonly SetLine[] => {
    if (!glyph.inkEm) return [];
    const middle = at.xMm + (glyph.xEm + glyph.advanceEm / 2) * run.sizeMm - centreXMm;
    const angle = middle / radius;
    const on = { xMm: centreXMm + radius * Math.sin(angle), yMm: at.yMm + radius * (1 - Math.cos(angle)) };
    const start = { xMm: on.xMm - (glyph.advanceEm / 2) * run.sizeMm, yMm: on.yMm };
    const alone = { ...glyph, xEm: 0 };
    return [
      {
        ...setRun({ ...run, text: glyph.chars }, start, colour, [alone], outlines),
        turn: { deg: (angle * 180) / Math.PI, about: on },
      },
    ];
  });
}

/** Corners of every glyph’s ink, turned as it is. */
function inkOf(line: SetLine, book: TypefaceBook): readonly Point[] {
  const typeface = book.get(line.typefaceId)!;
  const turn = line.turn && rotationAbout(line.turn.deg, line.turn.about);
  return line.glyphs.flatMap(({ id, xMm }) => {
    const ink = typeface.ink(id);
    if (!ink) return [];
    const x = line.at.xMm + xMm;
    const [left, right] = [x + ink.left * line.sizeMm, x + ink.right * line.sizeMm];
    const [top, bottom] = [line.at.yMm - ink.top * line.sizeMm, line.at.yMm - ink.bottom * line.sizeMm];
    const points = [
      { xMm: left, yMm: top },
      { xMm: right, yMm: top },
      { xMm: right, yMm: bottom },
      { xMm: left, yMm: bottom },
    ];
    return turn ? points.map((p) => apply(turn, p)) : points;
  });
}

/** Greedy lines: each takes words while they fit. A single word wider than the block keeps a line to itself. */
function broken(paragraph: Line, widthMm: Mm, widthOf: (line: Line) => Mm): readonly Line[] {
  const lines: Line[] = [];
  let line = '';
  for (const word of paragraph.text.split(/ +/)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && widthOf({ ...paragraph, text: longer }) > widthMm + OVERFLOW_MM) {
      lines.push({ ...paragraph, text: line });
      line = word;
    } else line = longer;
  }
  return [...lines, { ...paragraph, text: line }];
}
