import { translation, type Affine } from '../../../ground/geometry/affine.ts';
import type { Box, Sides } from '../../../ground/geometry/types.ts';
import type { Mm, Nm } from '../../../ground/length/types.ts';
import { fenceSettings, largestRest } from './fenceSettings.ts';
import { blocksOf, MOST_POINTS, mostPieces, type CutTree, type GuillotineQuestion } from './guillotine.ts';

/** One piece repeated on one sheet; `turned` is a quarter turn. */
export interface LayOutQuestion {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly marginsMm: Sides;
  /** The piece's trim, as drawn. */
  readonly pieceWidthMm: Mm;
  readonly pieceHeightMm: Mm;
  readonly bleedMm: Mm;
  /** Least distance between neighbouring trims. */
  readonly gutterMm: Mm;
  readonly mayLie: { readonly asDrawn: boolean; readonly turned: boolean };
}

export interface LaidPiece {
  readonly trim: Box;
  readonly turned: boolean;
}

/** From a piece as drawn to its place on the sheet; a quarter turn clockwise carries its left edge to the top. */
export const laidMap = ({ trim, turned }: LaidPiece, heightMm: Mm): Affine =>
  turned ? [0, 1, -1, 0, trim.xMm + heightMm, trim.yMm] : translation(trim.xMm, trim.yMm);

export interface LayOut {
  readonly up: number;
  /** No layout that a trimmer can cut apart holds more; equal to `up` when that is proven. */
  readonly bound: number;
  readonly pieces: readonly LaidPiece[];
  /** Cuts that part the layout, in trims and the gutters after them, from `origin`. */
  readonly tree: CutTree;
  /** Top left of the first trim. */
  readonly origin: { readonly xMm: Mm; readonly yMm: Mm };
  /** Uniform grids that the layout is made of. */
  readonly blocks: number;
  /** Distances a fence is set to while this is cut apart, true edges and all. */
  readonly settings: number;
}

const nm = (mm: Mm): Nm => Math.round(mm * 1e6);
const mm = (value: Nm): Mm => value / 1e6;

/**
 * The most pieces that edge-to-edge cuts can free from a sheet, each cut in a clear strip at least a
 * gutter wide. Printed area (trim and bleed) stays inside the margins.
 *
 * n pieces and the gutters between them need n·(piece + gutter) − gutter, so pieces grown by one gutter
 * are packed into the usable area grown by one gutter, and gutters need no more thought. Counting is in
 * whole nanometres, because 2 × 4 1/4 in must fit 8 1/2 in exactly. Among layouts of as many pieces the fence is
 * to be set to few distances; then few blocks, and what is left over in large pieces.
 * @param mostPoints places to cut along one side up to which the answer is exact; more take longer
 */
export function layOutOnePiece(question: LayOutQuestion, mostPoints = MOST_POINTS): LayOut {
  const { bleedMm, gutterMm, marginsMm, mayLie } = question;
  const [bleed, gutter] = [nm(bleedMm), nm(gutterMm)];
  const [width, height] = [nm(question.pieceWidthMm), nm(question.pieceHeightMm)];
  const [sheetWidth, sheetHeight] = [nm(question.sheetWidthMm), nm(question.sheetHeightMm)];
  const near = { x: nm(marginsMm.left) + bleed, y: nm(marginsMm.top) + bleed };
  const far = { x: sheetWidth - nm(marginsMm.right) - bleed, y: sheetHeight - nm(marginsMm.bottom) - bleed };
  const { count, bound, trees } = remembered(
    {
      widthNm: far.x - near.x + gutter,
      heightNm: far.y - near.y + gutter,
      pieceWidthNm: width + gutter,
      pieceHeightNm: height + gutter,
      ...mayLie,
    },
    mostPoints,
  );
  const sheet = { widthNm: sheetWidth, heightNm: sheetHeight };
  const pitch = { widthNm: width, heightNm: height, gutterNm: gutter };
  const [best] = trees
    .map((tree) => {
      const reach = reachOf(tree, pitch);
      // In the middle of the sheet where both margins allow it, so that front and back fall on each other.
      const start = (axis: 'x' | 'y', whole: Nm): Nm =>
        Math.min(Math.max(Math.round((whole - reach[axis]) / 2), near[axis]), far[axis] - reach[axis]);
      const [x, y] = count === 0 ? [0, 0] : [start('x', sheetWidth), start('y', sheetHeight)];
      const part = { widthNm: sheet.widthNm - x, heightNm: sheet.heightNm - y };
      const settings = new Set(fenceSettings(tree, part, pitch));
      if (x > 0) settings.add(part.widthNm);
      if (y > 0) settings.add(part.heightNm);
      return { tree, x0: x, y0: y, settings: settings.size, rest: largestRest(tree, part, pitch) };
    })
    .sort((a, b) => a.settings - b.settings || blocksOf(a.tree) - blocksOf(b.tree) || b.rest - a.rest);
  const { tree, x0, y0, settings } = best!;
  const laid = placesOf(tree, pitch);
  return {
    up: count,
    bound,
    tree,
    origin: { xMm: mm(x0), yMm: mm(y0) },
    blocks: blocksOf(tree),
    settings,
    pieces: laid.map(({ x, y, turned }) => ({
      turned,
      trim: {
        xMm: mm(x0 + x),
        yMm: mm(y0 + y),
        widthMm: turned ? question.pieceHeightMm : question.pieceWidthMm,
        heightMm: turned ? question.pieceWidthMm : question.pieceHeightMm,
      },
    })),
  };
}

/** From a layout’s own corner to the far edges of its pieces, without placing any. */
function reachOf(node: CutTree, pitch: Parameters<typeof placesOf>[1]): { readonly x: Nm; readonly y: Nm } {
  if (node.kind === 'waste') return { x: 0, y: 0 };
  if (node.kind === 'grid') {
    const [w, h] = node.turned ? [pitch.heightNm, pitch.widthNm] : [pitch.widthNm, pitch.heightNm];
    const along = (size: Nm, n: number): Nm => n * (size + pitch.gutterNm) - pitch.gutterNm;
    return { x: along(w, node.columns), y: along(h, node.rows) };
  }
  const [a, b] = [reachOf(node.first, pitch), reachOf(node.second, pitch)];
  return node.axis === 'across'
    ? { x: Math.max(a.x, node.firstNm + b.x), y: Math.max(a.y, b.y) }
    : { x: Math.max(a.x, b.x), y: Math.max(a.y, node.firstNm + b.y) };
}

/** Top left corners of the pieces of a layout, from its own. */
function placesOf(
  tree: CutTree,
  { widthNm, heightNm, gutterNm }: { readonly widthNm: Nm; readonly heightNm: Nm; readonly gutterNm: Nm },
): readonly { readonly x: Nm; readonly y: Nm; readonly turned: boolean }[] {
  const laid: { readonly x: Nm; readonly y: Nm; readonly turned: boolean }[] = [];
  const place = (node: CutTree, x: Nm, y: Nm): void => {
    if (node.kind === 'split') {
      place(node.first, x, y);
      if (node.axis === 'across') place(node.second, x + node.firstNm, y);
      else place(node.second, x, y + node.firstNm);
    } else if (node.kind === 'grid') {
      const [w, h] = node.turned ? [heightNm, widthNm] : [widthNm, heightNm];
      for (let row = 0; row < node.rows; row += 1)
        for (let column = 0; column < node.columns; column += 1)
          laid.push({ x: x + column * (w + gutterNm), y: y + row * (h + gutterNm), turned: node.turned });
    }
  };
  place(tree, 0, 0);
  return laid;
}

/** While a maker types words the sheet asks the same question again and again. */
const KEPT = 96;
const known = new Map<string, ReturnType<typeof mostPieces>>();

function remembered(question: GuillotineQuestion, mostPoints: number): ReturnType<typeof mostPieces> {
  const key = [...Object.values(question), mostPoints].join(' ');
  const found = known.get(key);
  if (found) return found;
  const made = mostPieces(question, mostPoints);
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, made);
  return made;
}
