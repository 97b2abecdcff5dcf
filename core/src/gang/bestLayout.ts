import type { Nm } from '../length/types.ts';
import { remainders } from '../sheet/guillotine.ts';
import type { Layout, Lying } from './types.ts';

export interface CutPoints {
  readonly points: readonly Nm[];
  /** Every place that some best layout may need is among them. */
  readonly complete: boolean;
}

/**
 * Sums of piece sides up to a length, those of few pieces first.
 * @param limit with more of them than this the rest are left out, and what follows is no longer exact
 */
export function cutPoints(sides: readonly Nm[], most: Nm, limit: number): CutPoints {
  const found = new Set<Nm>([0]);
  let edge: readonly Nm[] = [0];
  while (edge.length > 0) {
    const next = new Set<Nm>();
    for (const at of edge)
      for (const side of sides) if (at + side <= most && !found.has(at + side)) next.add(at + side);
    for (const at of next) {
      if (found.size >= limit) return { points: [...found].sort((a, b) => a - b), complete: false };
      found.add(at);
    }
    edge = [...next];
  }
  return { points: [...found].sort((a, b) => a - b), complete: true };
}

/** Sums of the same prices in another order differ by less. */
const SLIGHT = 1e-12;

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
  /** 0 nothing; k + 1 a piece lying way k; 1000 + i a cut across at point i; −1000 − j a cut down at point j. */
  const choice = new Int32Array(nx * ny);
  const belowX = remainders(xs.points);
  const belowY = remainders(ys.points);
  // Row by row, so that the long loops run along memory: rows before it are complete, and hold every part of a cut
  // across; cuts down need only this row as far as it has come.
  for (let i = 1; i < nx; i += 1) {
    const row = i * ny;
    const x = xs.points[i]!;
    // A smaller rectangle’s layout fits in a larger one as it is.
    for (let j = 1; j < ny; j += 1) {
      value[row + j] = value[row - ny + j]!;
      if (value[row + j]! > 0) choice[row + j] = -1;
    }
    ways.forEach((way, k) => {
      const price = prices[way.piece]!;
      if (way.widthNm > x) return;
      for (let j = ny - 1; j > 0 && way.heightNm <= ys.points[j]!; j -= 1)
        if (price > value[row + j]! + SLIGHT) {
          value[row + j] = price;
          choice[row + j] = k + 1;
        }
    });
    for (let k = 1; k < i && 2 * xs.points[k]! <= x; k += 1) {
      const [near, far] = [k * ny, belowX[i]![k]! * ny];
      for (let j = 1; j < ny; j += 1) {
        const sum = value[near + j]! + value[far + j]!;
        if (sum > value[row + j]! + SLIGHT) {
          value[row + j] = sum;
          choice[row + j] = 1000 + k;
        }
      }
    }
    for (let j = 1; j < ny; j += 1) {
      const [y, below] = [ys.points[j]!, belowY[j]!];
      let [best, chosen] = [value[row + j]!, choice[row + j]!];
      if (value[row + j - 1]! > best + SLIGHT) [best, chosen] = [value[row + j - 1]!, -2];
      for (let k = 1; k < j && 2 * ys.points[k]! <= y; k += 1) {
        const sum = value[row + k]! + value[row + below[k]!]!;
        if (sum > best + SLIGHT) [best, chosen] = [sum, -1000 - k];
      }
      value[row + j] = best;
      choice[row + j] = chosen;
    }
  }
  const layout = layoutFrom({ xs, ys, belowX, belowY, ways, choice, kinds: prices.length });
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
  readonly choice: Int32Array;
  readonly kinds: number;
}

/** The layout that choices lead to, from the whole sheet down. */
export function layoutFrom({ xs, ys, belowX, belowY, ways, choice, kinds }: Choices): Layout {
  const [nx, ny] = [xs.points.length, ys.points.length];
  const laid: { lying: Lying; xNm: Nm; yNm: Nm }[] = [];
  const walk = (i: number, j: number, xNm: Nm, yNm: Nm): void => {
    const chosen = choice[i * ny + j]!;
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
  walk(nx - 1, ny - 1, 0, 0);
  return { laid, counts: countOf(laid, kinds) };
}

export const countOf = (laid: Layout['laid'], kinds: number): readonly number[] => {
  const counts = new Array<number>(kinds).fill(0);
  for (const { lying } of laid) counts[lying.piece]! += 1;
  return counts;
};
