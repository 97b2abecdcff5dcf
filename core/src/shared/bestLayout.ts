import type { Nm } from '../ground/length/types.ts';
import { remainders } from '../stations/sheet/layout/guillotine.ts';
import type { Layout, Lying } from './types.ts';

export interface CutPoints {
  readonly points: readonly Nm[];
  /** Every place that some best layout may need is among them. */
  readonly complete: boolean;
}

/** Sums of sides that are kept at most, before those that no layout needs are left out. */
const MOST_SUMS = 4000;

/**
 * Where a length may have to be cut: each place is a sum of piece sides, and the most that a sum leaves room for beside
 * another sum. A cut between two such sums moves to one of them without making either part smaller than its pieces
 * need, and the same holds within each part, so a best layout cuts nowhere else.
 * Source: raster points, as in Terno, Lindemann and Scheithauer, Zuschnittprobleme und ihre praktische Lösung, 1987
 * @param limit with more places than this those of many pieces are left out, and what follows is no longer exact
 */
export function cutPoints(sides: readonly Nm[], most: Nm, limit: number): CutPoints {
  const { sums, pieces, all } = sumsOf(sides, most);
  let below = sums.length - 1;
  const places = new Set<number>();
  for (const sum of sums) {
    while (sums[below]! > most - sum) below -= 1;
    places.add(below);
  }
  if (places.size <= limit) return { points: [...places].reverse().map((at) => sums[at]!), complete: all };
  const few = [...places].sort((a, b) => pieces[a]! - pieces[b]! || a - b).slice(0, limit);
  // The whole length stays a place, with whatever fills it best.
  return { points: few.map((at) => sums[at]!).sort((a, b) => a - b), complete: false };
}

/** Sums of sides up to a length, rising, with the fewest sides that make each. */
function sumsOf(sides: readonly Nm[], most: Nm): { sums: readonly Nm[]; pieces: readonly number[]; all: boolean } {
  const found = new Map<Nm, number>([[0, 0]]);
  let edge: readonly Nm[] = [0];
  for (let pieces = 1; edge.length > 0; pieces += 1) {
    const next: Nm[] = [];
    for (const at of edge)
      for (const side of sides)
        if (at + side <= most && !found.has(at + side)) {
          found.set(at + side, pieces);
          next.push(at + side);
        }
    edge = found.size < MOST_SUMS ? next : [];
    if (edge.length !== next.length) break;
  }
  const sorted = [...found].sort(([a], [b]) => a - b);
  return { sums: sorted.map(([sum]) => sum), pieces: sorted.map(([, n]) => n), all: edge.length === 0 };
}

/**
 * The most valuable layout of one sheet under edge-to-edge cuts of any depth, each piece worth its price
 * and as many of it as fit; exact when the cut points are complete.
 * Source: Gilmore and Gomory, Multistage cutting stock problems of two and more dimensions, 1965
 */
export function bestLayout(
  xs: CutPoints,
  ys: CutPoints,
  ways: readonly Lying[],
  prices: readonly number[],
): { readonly value: number; readonly layout: Layout } {
  const [nx, ny] = [xs.points.length, ys.points.length];
  const value = new Float64Array(nx * ny);
  const belowX = remainders(xs.points);
  const belowY = remainders(ys.points);
  // Row by row, so that the long loops run along memory: rows before it are complete, and hold every part of a cut
  // across; cuts down need only this row as far as it has come.
  for (let i = 1; i < nx; i += 1) {
    const row = i * ny;
    const x = xs.points[i]!;
    // A smaller rectangle’s layout fits in a larger one as it is.
    value.copyWithin(row, row - ny, row);
    for (const way of ways) {
      const price = prices[way.piece]!;
      if (way.widthNm > x) continue;
      for (let j = ny - 1; j > 0 && way.heightNm <= ys.points[j]!; j -= 1)
        if (price > value[row + j]!) value[row + j] = price;
    }
    for (let k = 1; k < i && 2 * xs.points[k]! <= x; k += 1) {
      const [near, far] = [k * ny, belowX[i]![k]! * ny];
      for (let j = 1; j < ny; j += 1) {
        const sum = value[near + j]! + value[far + j]!;
        if (sum > value[row + j]!) value[row + j] = sum;
      }
    }
    for (let j = 1; j < ny; j += 1) {
      const [y, below] = [ys.points[j]!, belowY[j]!];
      let best = Math.max(value[row + j]!, value[row + j - 1]!);
      for (let k = 1; k < j && 2 * ys.points[k]! <= y; k += 1) {
        const sum = value[row + k]! + value[row + below[k]!]!;
        if (sum > best) best = sum;
      }
      value[row + j] = best;
    }
  }
  // How each rectangle came by its value is found again for the few that the layout consists of.
  const choiceAt = (i: number, j: number): number => {
    const [at, row] = [value[i * ny + j]!, i * ny];
    if (at === 0) return 0;
    if (value[row - ny + j] === at) return -1;
    if (value[row + j - 1] === at) return -2;
    const [x, y] = [xs.points[i]!, ys.points[j]!];
    const way = ways.findIndex((w) => w.widthNm <= x && w.heightNm <= y && prices[w.piece] === at);
    if (way >= 0) return way + 1;
    for (let k = 1; k < i; k += 1) if (value[k * ny + j]! + value[belowX[i]![k]! * ny + j]! === at) return 1000 + k;
    for (let k = 1; k < j; k += 1) if (value[row + k]! + value[row + belowY[j]![k]!]! === at) return -1000 - k;
    throw new Error(`rectangle ${i}, ${j} is worth ${at} by no piece and no cut`);
  };
  const layout = layoutFrom({ xs, ys, belowX, belowY, ways, choiceAt, kinds: prices.length });
  return { value: value[nx * ny - 1]!, layout };
}

/** Choices for every rectangle between places to cut, and all that it takes to lay the whole of them out. */
interface Choices {
  readonly xs: CutPoints;
  readonly ys: CutPoints;
  readonly belowX: readonly ArrayLike<number>[];
  readonly belowY: readonly ArrayLike<number>[];
  readonly ways: readonly Lying[];
  /**
   * 0 nothing; k + 1 a piece lying way k; 1000 + i a cut across at point i; −1000 − j a cut down at point j; −1 and −2
   * as the rectangle that is one point narrower, or shorter.
   */
  readonly choiceAt: (i: number, j: number) => number;
  readonly kinds: number;
}

/** The layout that choices lead to, from the whole sheet down. */
export function layoutFrom({ xs, ys, belowX, belowY, ways, choiceAt, kinds }: Choices): Layout {
  const laid: { lying: Lying; xNm: Nm; yNm: Nm }[] = [];
  const walk = (i: number, j: number, xNm: Nm, yNm: Nm): void => {
    const chosen = choiceAt(i, j);
    if (chosen === 0) return;
    if (chosen === -1) return walk(i - 1, j, xNm, yNm);
    if (chosen === -2) return walk(i, j - 1, xNm, yNm);
    if (chosen >= 1000) {
      const k = chosen - 1000;
      walk(k, j, xNm, yNm);
      walk(belowX[i]![k]!, j, xNm + xs.points[k]!, yNm);
    } else if (chosen <= -1000) {
      const k = -1000 - chosen;
      walk(i, k, xNm, yNm);
      walk(i, belowY[j]![k]!, xNm, yNm + ys.points[k]!);
    } else laid.push({ lying: ways[chosen - 1]!, xNm, yNm });
  };
  walk(xs.points.length - 1, ys.points.length - 1, 0, 0);
  return { laid, counts: countOf(laid, kinds) };
}

export const countOf = (laid: Layout['laid'], kinds: number): readonly number[] => {
  const counts = new Array<number>(kinds).fill(0);
  for (const { lying } of laid) counts[lying.piece]! += 1;
  return counts;
};
