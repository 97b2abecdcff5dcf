import { translation, type Affine } from '../../../ground/geometry/affine.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { Mm, Nm } from '../../../ground/length/types.ts';
import { EDGES, LIES, type FromEdges, type Lie, type SidesNm } from './edges.ts';
import { fenceSettings, largestRest } from './fenceSettings.ts';
import { blocksOf, MOST_POINTS, mostPieces, type CutTree, type GuillotineQuestion } from './guillotine.ts';
import { mostPiecesAtEdges } from './guillotineAtEdges.ts';

/** One piece repeated on one sheet; `turned` is a quarter turn. */
export interface LayOutQuestion {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly fromEdgesMm: FromEdges;
  /** The piece's trim, as drawn. */
  readonly pieceWidthMm: Mm;
  readonly pieceHeightMm: Mm;
  /** Least distance between neighbouring trims. */
  readonly gutterMm: Mm;
  readonly mayLie: Readonly<Record<Lie, boolean>>;
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
 * gutter wide. Trims keep from the sheet’s edges what is asked of a piece that lies so.
 *
 * n pieces and the gutters between them need n·(piece + gutter) − gutter, so pieces grown by one gutter
 * are packed into the usable area grown by one gutter, and gutters need no more thought. Counting is in
 * whole nanometres, because 2 × 4 1/4 in must fit 8 1/2 in exactly. Among layouts of as many pieces the fence is
 * to be set to few distances; then few blocks, and what is left over in large pieces.
 * @param mostPoints places to cut along one side up to which the answer is exact; more take longer
 */
export function layOutOnePiece(question: LayOutQuestion, mostPoints = MOST_POINTS): LayOut {
  const [sheetWidth, sheetHeight] = [nm(question.sheetWidthMm), nm(question.sheetHeightMm)];
  const { count, bound, ways } = waysToLie(question, mostPoints);
  const sheet = { widthNm: sheetWidth, heightNm: sheetHeight };
  const pitch = pitchOf(question);
  const [best] = ways
    .map(({ tree, near, far }) => {
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

/** The piece as drawn, and the clear strip after it. */
const pitchOf = ({ pieceWidthMm, pieceHeightMm, gutterMm }: LayOutQuestion) => ({
  widthNm: nm(pieceWidthMm),
  heightNm: nm(pieceHeightMm),
  gutterNm: nm(gutterMm),
});

/** A layout and the part of the sheet that its trims keep within. */
interface Way {
  readonly tree: CutTree;
  readonly near: { readonly x: Nm; readonly y: Nm };
  readonly far: { readonly x: Nm; readonly y: Nm };
}

/**
 * Layouts that hold the most, each with the room it may be moved in. Where a piece keeps as far from every edge however it
 * lies, that is the rest of the sheet. Where not, each way to lie has a room of its own and both have the one that suits
 * both; only where less than what the roomiest of them could hold came of these is every part asked which edges it has.
 */
function waysToLie(
  question: LayOutQuestion,
  mostPoints: number,
): { readonly count: number; readonly bound: number; readonly ways: readonly Way[] } {
  const { fromEdgesMm, mayLie } = question;
  const lies = LIES.filter((lie) => mayLie[lie]);
  const asked = lies.length > 0 ? lies : LIES;
  const keeping = (pick: (...mm: number[]) => number, some: readonly Lie[]): SidesNm => {
    const of = (edge: keyof SidesNm): Nm => nm(pick(...some.map((lie) => fromEdgesMm[lie][edge])));
    return { top: of('top'), right: of('right'), bottom: of('bottom'), left: of('left') };
  };
  const [near, far] = [keeping(Math.min, asked), keeping(Math.max, asked)];
  const within = (kept: SidesNm, some: readonly Lie[]): Laid => layWithin(question, kept, some, mostPoints);
  const roomiest = within(near, lies);
  if (EDGES.every((edge) => near[edge] === far[edge])) return roomiest;
  const simple = [within(far, lies), ...lies.map((lie) => within(keeping(Math.min, [lie]), [lie]))];
  const count = Math.max(...simple.map((one) => one.count));
  const known = { count, bound: roomiest.bound, ways: simple.filter((l) => l.count === count).flatMap((l) => l.ways) };
  if (count === roomiest.bound) return known;
  const extra = (lie: Lie): SidesNm => {
    const own = keeping(Math.min, [lie]);
    return {
      top: own.top - near.top,
      right: own.right - near.right,
      bottom: own.bottom - near.bottom,
      left: own.left - near.left,
    };
  };
  const room = roomOf(question, near);
  const exact = rememberedAtEdges(
    {
      ...grownQuestion(question, room, lies),
      extraNm: { asDrawn: extra('asDrawn'), turned: extra('turned') },
    },
    mostPoints ** 2 * STEPS_A_POINT,
  );
  if (!exact) return known;
  if (exact.count === count) return { ...known, bound: count };
  // It keeps from each edge by where it lies, so there is no room to move it in.
  const reach = reachOf(exact.tree, pitchOf(question));
  const way = { tree: exact.tree, near: room.near, far: { x: room.near.x + reach.x, y: room.near.y + reach.y } };
  return { count: exact.count, bound: exact.count, ways: [way] };
}

type Laid = ReturnType<typeof waysToLie>;

function roomOf({ sheetWidthMm, sheetHeightMm }: LayOutQuestion, kept: SidesNm): Pick<Way, 'near' | 'far'> {
  return {
    near: { x: kept.left, y: kept.top },
    far: { x: nm(sheetWidthMm) - kept.right, y: nm(sheetHeightMm) - kept.bottom },
  };
}

function grownQuestion(
  question: LayOutQuestion,
  { near, far }: Pick<Way, 'near' | 'far'>,
  lies: readonly Lie[],
): GuillotineQuestion {
  const { widthNm, heightNm, gutterNm } = pitchOf(question);
  return {
    widthNm: far.x - near.x + gutterNm,
    heightNm: far.y - near.y + gutterNm,
    pieceWidthNm: widthNm + gutterNm,
    pieceHeightNm: heightNm + gutterNm,
    asDrawn: lies.includes('asDrawn'),
    turned: lies.includes('turned'),
  };
}

function layWithin(question: LayOutQuestion, kept: SidesNm, lies: readonly Lie[], mostPoints: number): Laid {
  const room = roomOf(question, kept);
  const { count, bound, trees } = remembered(grownQuestion(question, room, lies), mostPoints);
  return { count, bound, ways: trees.map((tree) => ({ tree, ...room })) };
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

/** For every pair of points of a table whose size is the limit elsewhere: some tens of milliseconds while typing. */
const STEPS_A_POINT = 60;

/** While a maker types words the sheet asks the same question again and again. */
const KEPT = 96;

function remembering<Q, A>(answer: (question: Q, most: number) => A): (question: Q, most: number) => A {
  const known = new Map<string, A>();
  return (question, most) => {
    const key = JSON.stringify([question, most]);
    const found = known.get(key);
    if (found !== undefined) return found;
    const made = answer(question, most);
    if (known.size >= KEPT) known.delete(known.keys().next().value!);
    known.set(key, made);
    return made;
  };
}

const remembered = remembering(mostPieces);
const rememberedAtEdges = remembering(mostPiecesAtEdges);
