import type { Nm } from '../../../ground/length/types.ts';

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
  /** Layouts that hold as many, the one of fewest uniform blocks first; never none. */
  readonly trees: readonly CutTree[];
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
 * Several layouts of as many pieces are given, all of few uniform blocks, for the caller to choose the handiest.
 * Source: Gilmore and Gomory, The theory and computation of knapsack functions, 1966; normal patterns
 * after Herz, 1972
 */
export function mostPieces(question: GuillotineQuestion, mostPoints = MOST_POINTS): MostPieces {
  const { widthNm, heightNm, pieceWidthNm: w, pieceHeightNm: h, asDrawn, turned } = question;
  const ways: readonly Way[] = [
    ...(asDrawn ? [{ w, h, turned: false }] : []),
    ...(turned && !(asDrawn && w === h) ? [{ w: h, h: w, turned: true }] : []),
  ];
  const nothing: MostPieces = { count: 0, bound: 0, trees: [{ kind: 'waste' }] };
  if (ways.length === 0 || widthNm <= 0 || heightNm <= 0) return nothing;
  const grids = ways.map((way) => ({ way, count: gridCount(way, widthNm, heightNm) }));
  const best = grids.reduce((a, b) => (b.count > a.count ? b : a));
  if (best.count === 0) return nothing;
  const equal = grids.filter(({ count }) => count === best.count);
  const grid: MostPieces = {
    count: best.count,
    bound: best.count,
    trees: equal.map(({ way }) => gridTree(way, widthNm, heightNm)),
  };
  // One way to lie: every strip of a layout is a row or a column of the same grid, so the grid is the most.
  if (ways.length === 1) return grid;
  const bound = areaBound(question);
  if (best.count === bound) return grid;
  const xs = sums(w, h, widthNm);
  const ys = sums(w, h, heightNm);
  if (xs.length > mostPoints || ys.length > mostPoints) return { ...grid, bound };
  const table = fill(xs, ys, ways);
  const count = table.count[xs.length * ys.length - 1]!;
  const last = { i: xs.length - 1, j: ys.length - 1 };
  const fewest = table.blocks[table.blocks.length - 1]!;
  return { count, bound: count, trees: treesAt({ ...table, xs, ys, ways }, last, fewest + SPARE_BLOCKS, MOST_TREES) };
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
export function sums(a: Nm, b: Nm, most: Nm): readonly Nm[] {
  const found = new Set<Nm>();
  for (let i = 0; i * a <= most; i += 1) for (let at = i * a; at <= most; at += b) found.add(at);
  return [...found].sort((p, q) => p - q);
}

interface Table {
  /** The most pieces in the rectangle of each pair of points, and the fewest blocks that hold them. */
  readonly count: Int32Array;
  readonly blocks: Int32Array;
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
  const below = { x: remainders(xs), y: remainders(ys) };
  for (let i = 0; i < nx; i += 1)
    for (let j = 0; j < ny; j += 1) {
      let [most, fewest] = [0, 0];
      for (const way of ways) {
        const n = gridCount(way, xs[i]!, ys[j]!);
        if (n > most || (n === most && n > 0 && fewest > 1)) [most, fewest] = [n, 1];
      }
      // The first part is never the larger one: the other order is the same layout seen in a mirror.
      for (let k = 1; k < i && 2 * xs[k]! <= xs[i]!; k += 1) {
        const [a, b] = [k * ny + j, below.x[i]![k]! * ny + j];
        const n = count[a]! + count[b]!;
        const m = blocks[a]! + blocks[b]!;
        if (n > most || (n === most && n > 0 && m < fewest)) [most, fewest] = [n, m];
      }
      for (let k = 1; k < j && 2 * ys[k]! <= ys[j]!; k += 1) {
        const [a, b] = [i * ny + k, i * ny + below.y[j]![k]!];
        const n = count[a]! + count[b]!;
        const m = blocks[a]! + blocks[b]!;
        if (n > most || (n === most && n > 0 && m < fewest)) [most, fewest] = [n, m];
      }
      const at = i * ny + j;
      [count[at], blocks[at]] = [most, fewest];
    }
  return { count, blocks, below };
}

/** A block more than need be may still set the fence less often; and of many layouts a few are enough to choose from. */
const SPARE_BLOCKS = 1;
const MOST_TREES = 60;

interface Filled extends Table {
  readonly xs: readonly Nm[];
  readonly ys: readonly Nm[];
  readonly ways: readonly Way[];
}

/** Layouts of the rectangle at a pair of points that hold the most pieces in so many blocks at the most. */
function treesAt(table: Filled, { i, j }: Place, blocks: number, wanted: number): readonly CutTree[] {
  const { xs, ys, ways, count, below } = table;
  const at = (x: number, y: number): number => x * ys.length + y;
  const most = count[at(i, j)]!;
  const found: CutTree[] = ways
    .filter((way) => gridCount(way, xs[i]!, ys[j]!) === most)
    .map((way) => gridTree(way, xs[i]!, ys[j]!));
  const part = (axis: 'across' | 'down', a: Place, b: Place): void => {
    const [first, second] = [at(a.i, a.j), at(b.i, b.j)];
    // A part without a piece is only what is left over; the same layout is found without that cut.
    if (count[first] === 0 || count[second] === 0 || count[first]! + count[second]! !== most) return;
    const spare = blocks - table.blocks[first]! - table.blocks[second]!;
    if (spare < 0) return;
    const firstNm = axis === 'across' ? xs[a.i]! : ys[a.j]!;
    const each = Math.ceil(Math.sqrt(wanted));
    for (const one of treesAt(table, a, table.blocks[first]! + spare, each))
      for (const other of treesAt(table, b, table.blocks[second]! + spare, each))
        if (found.length < wanted && blocksOf(one) + blocksOf(other) <= blocks)
          found.push({ kind: 'split', axis, firstNm, first: one, second: other });
  };
  for (let k = 1; k < i && 2 * xs[k]! <= xs[i]! && found.length < wanted; k += 1) {
    const [near, far] = [
      { i: k, j },
      { i: below.x[i]![k]!, j },
    ];
    part('across', near, far);
    part('across', far, near);
  }
  for (let k = 1; k < j && 2 * ys[k]! <= ys[j]! && found.length < wanted; k += 1) {
    const [near, far] = [
      { i, j: k },
      { i, j: below.y[j]![k]! },
    ];
    part('down', near, far);
    part('down', far, near);
  }
  return found.sort((a, b) => blocksOf(a) - blocksOf(b));
}

interface Place {
  readonly i: number;
  readonly j: number;
}

/** Uniform grids that a layout is made of. */
export const blocksOf = (node: CutTree): number =>
  node.kind === 'split' ? blocksOf(node.first) + blocksOf(node.second) : node.kind === 'grid' ? 1 : 0;
