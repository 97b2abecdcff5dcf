import { boxAround, corners } from '../../ground/geometry/box.ts';
import { TOLERANCE_MM, type Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { CutTree } from '../sheet/layout/guillotine.ts';
import type { LayOut } from '../sheet/layout/layOut.ts';
import type { CutMove } from './types.ts';

export type Axis = 'across' | 'down';
interface Span {
  readonly start: Mm;
  readonly end: Mm;
}
/** A move before it is numbered and put into words. */
export type DraftMove = Omit<CutMove, 'number' | 'turn' | 'strokes' | 'text' | 'how'>;

/**
 * Moves that free every cell. First two true edges, at the first trims from the left and from the top; then
 * the layout’s own cuts, each measured from the true edge of the part it cuts. A part comes off with its own
 * left and top edges already true, because it is cut off at its first trim.
 */
export function draftMoves(
  { tree, origin }: Pick<LayOut, 'tree' | 'origin'>,
  page: Box,
  pitch: Pitch,
  firstAxis: Axis,
): readonly DraftMove[] {
  if (tree.kind === 'waste') return [];
  if (tree.kind === 'grid') return gridMoves(tree, page, origin, pitch, firstAxis, false, 'the sheet');
  const moves: DraftMove[] = [];
  if (origin.xMm > TOLERANCE_MM) moves.push(trueEdge('across', origin.xMm, [page], 'the sheet'));
  const block = { ...page, xMm: origin.xMm, widthMm: page.widthMm - origin.xMm };
  if (origin.yMm > TOLERANCE_MM) moves.push(trueEdge('down', origin.yMm, [block], 'the sheet'));
  const material = { ...block, yMm: origin.yMm, heightMm: page.heightMm - origin.yMm };
  let letters = 0;
  const visit = (node: CutTree, part: Box, name: string): void => {
    if (node.kind === 'waste') return;
    if (node.kind === 'grid') {
      const orders = (['across', 'down'] as const).map((axis) => gridMoves(node, part, part, pitch, axis, true, name));
      const passes = (own: readonly DraftMove[]): number => own.reduce((n, m) => n + m.piecesPerSheet, 0);
      // The same strokes either way: the outer axis goes first, as it was asked.
      const [across, down] = orders as [readonly DraftMove[], readonly DraftMove[]];
      const fewer = passes(across) - passes(down);
      moves.push(...(fewer < 0 || (fewer === 0 && firstAxis === 'across') ? across : down));
      return;
    }
    const at = node.firstNm / 1e6;
    const across = node.axis === 'across';
    const stays: Box = across ? { ...part, widthMm: at } : { ...part, heightMm: at };
    const falls: Box = across
      ? { ...part, xMm: part.xMm + at, widthMm: part.widthMm - at }
      : { ...part, yMm: part.yMm + at, heightMm: part.heightMm - at };
    if (node.first.kind === 'waste') {
      moves.push(trueEdge(node.axis, across ? part.xMm + at : part.yMm + at, [part], name));
      visit(node.second, falls, name);
      return;
    }
    letters += 2;
    const [first, second] = [`part ${letter(letters - 2)}`, `part ${letter(letters - 1)}`];
    moves.push({
      fenceMm: at,
      atFence: across ? 'left' : 'top',
      fallsOff: 'part',
      makesTrueEdge: false,
      piece: name,
      stays: first,
      comesOff: second,
      line: across ? upright(part.xMm + at, part) : level(part.yMm + at, part),
      beyond: [falls],
      piecesPerSheet: 1,
    });
    visit(node.first, stays, first);
    visit(node.second, falls, second);
  };
  visit(tree, material, 'the sheet');
  return moves;
}

const letter = (n: number): string => String.fromCharCode(65 + (n % 26)) + (n >= 26 ? String(Math.floor(n / 26)) : '');
const upright = (xMm: Mm, { yMm, heightMm }: Box): DraftMove['line'] => [
  { xMm, yMm },
  { xMm, yMm: yMm + heightMm },
];
const level = (yMm: Mm, { xMm, widthMm }: Box): DraftMove['line'] => [
  { xMm, yMm },
  { xMm: xMm + widthMm, yMm },
];

/** The far factory edge at the fence, once, to make a true edge at the first trim. */
function trueEdge(axis: Axis, at: Mm, parts: readonly Box[], piece: string): DraftMove {
  const across = axis === 'across';
  const hull = hullOf(parts);
  return {
    fenceMm: across ? hull.xMm + hull.widthMm - at : hull.yMm + hull.heightMm - at,
    atFence: across ? 'right' : 'bottom',
    fallsOff: 'waste',
    makesTrueEdge: true,
    piece,
    stays: null,
    comesOff: null,
    line: across ? upright(at, hull) : level(at, hull),
    beyond: parts.map((part) => (across ? { ...part, widthMm: at - part.xMm } : { ...part, heightMm: at - part.yMm })),
    piecesPerSheet: parts.length,
  };
}

const hullOf = (parts: readonly Box[]): Box => boxAround(parts.flatMap((part) => corners(part)));

/** The piece as drawn, and the least distance to the next. */
export interface Pitch {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly gutterMm: Mm;
}

/** Moves within one uniform grid: all along one axis, then all along the other on the strips. */
function gridMoves(
  grid: Extract<CutTree, { kind: 'grid' }>,
  part: Box,
  origin: { readonly xMm: Mm; readonly yMm: Mm },
  { widthMm, heightMm, gutterMm }: Pitch,
  firstAxis: Axis,
  isTrue: boolean,
  piece: string,
): readonly DraftMove[] {
  const [w, h] = grid.turned ? [heightMm, widthMm] : [widthMm, heightMm];
  const along = (start: Mm, size: Mm, n: number): readonly Span[] =>
    Array.from({ length: n }, (_, i) => ({
      start: start + i * (size + gutterMm),
      end: start + i * (size + gutterMm) + size,
    }));
  const columns = along(origin.xMm, w, grid.columns);
  const rows = along(origin.yMm, h, grid.rows);
  // Once one axis is done, strips are left, each from its own first trim to its last.
  const upStrips = columns.map(({ start, end }): Box => ({ ...part, xMm: start, widthMm: end - start }));
  const acrossStrips = rows.map(({ start, end }): Box => ({ ...part, yMm: start, heightMm: end - start }));
  const across = firstAxis === 'across';
  const then = across
    ? free('down', rows, upStrips, false, isTrue, piece)
    : free('across', columns, acrossStrips, false, isTrue, piece);
  // What still has to be cut the other way is a strip, though it may hold a single card.
  const strips = then.length > 0;
  return [
    ...(across
      ? free('across', columns, [part], strips, isTrue, piece)
      : free('down', rows, [part], strips, isTrue, piece)),
    ...then,
  ];
}

/**
 * Cuts along one axis. The far factory edge goes to the fence once to make a true edge at the first
 * trim; every later distance is measured from that true edge, largest first, so that what stays at
 * the fence is always the larger part.
 */
function free(
  axis: Axis,
  cards: readonly Span[],
  parts: readonly Box[],
  strips: boolean,
  isTrue: boolean,
  piece: string,
): readonly DraftMove[] {
  const across = axis === 'across';
  const hull = hullOf(parts);
  const [near, far] = across ? [hull.xMm, hull.xMm + hull.widthMm] : [hull.yMm, hull.yMm + hull.heightMm];
  const origin = cards[0]!.start;
  const moves: DraftMove[] = [];
  if (!isTrue && origin - near > TOLERANCE_MM) moves.push(trueEdge(axis, origin, parts, piece));
  let end = far;
  const cut = (at: Mm, fallsOff: CutMove['fallsOff']): void => {
    moves.push({
      fenceMm: at - origin,
      atFence: across ? 'left' : 'top',
      fallsOff,
      makesTrueEdge: false,
      piece,
      stays: null,
      comesOff: null,
      line: across ? upright(at, hull) : level(at, hull),
      beyond: parts.map((part) =>
        across ? { ...part, xMm: at, widthMm: end - at } : { ...part, yMm: at, heightMm: end - at },
      ),
      piecesPerSheet: parts.length,
    });
    end = at;
  };
  for (let i = cards.length - 1; i >= 0; i -= 1) {
    const card = cards[i]!;
    const next = cards[i + 1];
    const gap = (next ? next.start : far) - card.end;
    // Without a gap the neighbour's own cut has already freed this edge.
    if (gap > TOLERANCE_MM) cut(card.end, 'waste');
    if (i > 0) cut(card.start, strips ? 'strip' : 'card');
  }
  return moves;
}
