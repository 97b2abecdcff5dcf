import type { Nm } from '../length/types.ts';

/**
 * How a rectangle is parted by edge-to-edge cuts: into a grid of pieces that all lie the same way, or in
 * two by one cut, or not at all.
 */
export type CutTree =
  | { readonly kind: 'waste' }
  | { readonly kind: 'grid'; readonly turned: boolean; readonly columns: number; readonly rows: number }
  | {
      readonly kind: 'split';
      /** `across` parts left from right, `down` parts upper from lower. */
      readonly axis: 'across' | 'down';
      /** Size of the first part along the axis. */
      readonly firstNm: Nm;
      readonly first: CutTree;
      readonly second: CutTree;
    };

export interface MostPieces {
  readonly count: number;
  /** No layout of edge-to-edge cuts holds more. */
  readonly bound: number;
  readonly tree: CutTree;
}

/** Rectangles and pieces in whole nanometres, so that what fits exactly does fit. */
export interface GuillotineQuestion {
  readonly widthNm: Nm;
  readonly heightNm: Nm;
  readonly pieceWidthNm: Nm;
  readonly pieceHeightNm: Nm;
  readonly asDrawn: boolean;
  readonly turned: boolean;
}

/**
 * More places to cut than this along one side and the whole table is too large for an answer while typing;
 * then the best grid is given with the bound that holds for it.
 */
export const MOST_POINTS = 260;

/**
 * The most pieces of one kind that edge-to-edge cuts of any depth can free, and a layout that frees them.
 *
 * Exact: some best layout cuts only at sums of whole piece sides (push every piece left and up until it
 * touches, and each cut with it), so the best for every rectangle whose sides are such sums follows from
 * the best of the two parts of each such cut.
 * Among layouts of as many pieces the one of fewest uniform blocks is taken, so that a trimmer’s fence is
 * set as seldom as can be.
 * Source: Gilmore and Gomory, The theory and computation of knapsack functions, 1966; normal patterns
 * after Herz, 1972
 */
export function mostPieces(question: GuillotineQuestion, mostPoints = MOST_POINTS): MostPieces {
  const { widthNm, heightNm, pieceWidthNm: w, pieceHeightNm: h, asDrawn, turned } = question;
  const ways: readonly Way[] = [
    ...(asDrawn ? [{ w, h, turned: false }] : []),
    ...(turned && !(asDrawn && w === h) ? [{ w: h, h: w, turned: true }] : []),
  ];
  const nothing: MostPieces = { count: 0, bound: 0, tree: { kind: 'waste' } };
  if (ways.length === 0 || widthNm <= 0 || heightNm <= 0) return nothing;
  const grids = ways.map((way) => ({ way, count: gridCount(way, widthNm, heightNm) }));
  const best = grids.reduce((a, b) => (b.count > a.count ? b : a));
  if (best.count === 0) return nothing;
  const grid: MostPieces = { count: best.count, bound: best.count, tree: gridTree(best.way, widthNm, heightNm) };
  // One way to lie: every strip of a layout is a row or a column of the same grid, so the grid is the most.
  if (ways.length === 1) return grid;
  const bound = areaBound(question);
  if (best.count === bound) return grid;
  const xs = sums(w, h, widthNm);
  const ys = sums(w, h, heightNm);
  if (xs.length > mostPoints || ys.length > mostPoints) return { ...grid, bound };
  const table = fill(xs, ys, ways);
  const count = table.count[xs.length * ys.length - 1]!;
  return { count, bound: count, tree: treeAt(table, xs, ys, ways, xs.length - 1, ys.length - 1) };
}

interface Way {
  readonly w: Nm;
  readonly h: Nm;
  readonly turned: boolean;
}

const gridCount = ({ w, h }: Way, widthNm: Nm, heightNm: Nm): number =>
  Math.floor(widthNm / w) * Math.floor(heightNm / h);

const gridTree = ({ w, h, turned }: Way, widthNm: Nm, heightNm: Nm): CutTree => ({
  kind: 'grid',
  turned,
  columns: Math.floor(widthNm / w),
  rows: Math.floor(heightNm / h),
});

/** Pieces’ area cannot exceed what sums of their sides can cover. */
function areaBound({ widthNm, heightNm, pieceWidthNm: w, pieceHeightNm: h }: GuillotineQuestion): number {
  return Math.floor((largestSum(w, h, widthNm) * largestSum(w, h, heightNm)) / (w * h) + 1e-9);
}

function largestSum(a: Nm, b: Nm, most: Nm): Nm {
  let largest = 0;
  for (let i = 0; i * a <= most; i += 1) largest = Math.max(largest, i * a + Math.floor((most - i * a) / b) * b);
  return largest;
}

/** Every sum of whole sides up to a length, from 0 up. */
function sums(a: Nm, b: Nm, most: Nm): readonly Nm[] {
  const found = new Set<Nm>();
  for (let i = 0; i * a <= most; i += 1) for (let at = i * a; at <= most; at += b) found.add(at);
  return [...found].sort((p, q) => p - q);
}

interface Table {
  readonly count: Int32Array;
  readonly blocks: Int32Array;
  /** 0 waste; 1 and 2 a grid of that way; else a split: positive across, negative down, at point |value| − 3. */
  readonly choice: Int32Array;
  readonly below: { readonly x: readonly Int32Array[]; readonly y: readonly Int32Array[] };
}

/** For every point, the point that what is left beyond each earlier one comes down to. */
export function remainders(points: readonly Nm[]): readonly Int32Array[] {
  return points.map((at, i) => {
    const left = new Int32Array(i + 1);
    let k = i;
    for (let j = 0; j <= i; j += 1) {
      while (points[k]! > at - points[j]!) k -= 1;
      left[j] = k;
    }
    return left;
  });
}

function fill(xs: readonly Nm[], ys: readonly Nm[], ways: readonly Way[]): Table {
  const [nx, ny] = [xs.length, ys.length];
  const count = new Int32Array(nx * ny);
  const blocks = new Int32Array(nx * ny);
  const choice = new Int32Array(nx * ny);
  const below = { x: remainders(xs), y: remainders(ys) };
  for (let i = 0; i < nx; i += 1)
    for (let j = 0; j < ny; j += 1) {
      let [most, fewest, chosen] = [0, 0, 0];
      ways.forEach((way, k) => {
        const n = gridCount(way, xs[i]!, ys[j]!);
        if (n > most || (n === most && n > 0 && fewest > 1)) [most, fewest, chosen] = [n, 1, k + 1];
      });
      // The first part is never the larger one: the other order is the same layout seen in a mirror.
      for (let k = 1; k < i && 2 * xs[k]! <= xs[i]!; k += 1) {
        const [a, b] = [k * ny + j, below.x[i]![k]! * ny + j];
        const n = count[a]! + count[b]!;
        const m = blocks[a]! + blocks[b]!;
        if (n > most || (n === most && n > 0 && m < fewest)) [most, fewest, chosen] = [n, m, k + 3];
      }
      for (let k = 1; k < j && 2 * ys[k]! <= ys[j]!; k += 1) {
        const [a, b] = [i * ny + k, i * ny + below.y[j]![k]!];
        const n = count[a]! + count[b]!;
        const m = blocks[a]! + blocks[b]!;
        if (n > most || (n === most && n > 0 && m < fewest)) [most, fewest, chosen] = [n, m, -(k + 3)];
      }
      const at = i * ny + j;
      [count[at], blocks[at], choice[at]] = [most, fewest, chosen];
    }
  return { count, blocks, choice, below };
}

function treeAt(
  table: Table,
  xs: readonly Nm[],
  ys: readonly Nm[],
  ways: readonly Way[],
  i: number,
  j: number,
): CutTree {
  const chosen = table.choice[i * ys.length + j]!;
  if (chosen === 0) return { kind: 'waste' };
  if (chosen === 1 || chosen === 2) return gridTree(ways[chosen - 1]!, xs[i]!, ys[j]!);
  const k = Math.abs(chosen) - 3;
  const [axis, firstNm, first, second] =
    chosen > 0
      ? ([
          'across',
          xs[k]!,
          treeAt(table, xs, ys, ways, k, j),
          treeAt(table, xs, ys, ways, table.below.x[i]![k]!, j),
        ] as const)
      : ([
          'down',
          ys[k]!,
          treeAt(table, xs, ys, ways, i, k),
          treeAt(table, xs, ys, ways, i, table.below.y[j]![k]!),
        ] as const);
  // A part without a piece is only what is left over, and is left at the far side.
  if (first.kind === 'waste') return second;
  if (second.kind === 'waste') return first;
  return { kind: 'split', axis, firstNm, first, second };
}
