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
  for (let i = 1; i < nx; i += 1)
    for (let j = 1; j < ny; j += 1) {
      let [best, chosen] = [0, 0];
      ways.forEach((way, k) => {
        const price = prices[way.piece]!;
        if (price > best && way.widthNm <= xs.points[i]! && way.heightNm <= ys.points[j]!)
          [best, chosen] = [price, k + 1];
      });
      const x = xs.points[i]!;
      for (let k = 1; k < i && 2 * xs.points[k]! <= x; k += 1) {
        const sum = value[k * ny + j]! + value[belowX[i]![k]! * ny + j]!;
        if (sum > best + 1e-12) [best, chosen] = [sum, 1000 + k];
      }
      const y = ys.points[j]!;
      for (let k = 1; k < j && 2 * ys.points[k]! <= y; k += 1) {
        const sum = value[i * ny + k]! + value[i * ny + belowY[j]![k]!]!;
        if (sum > best + 1e-12) [best, chosen] = [sum, -1000 - k];
      }
      // A smaller rectangle’s layout fits in a larger one as it is.
      if (value[(i - 1) * ny + j]! > best + 1e-12) [best, chosen] = [value[(i - 1) * ny + j]!, -1];
      if (value[i * ny + j - 1]! > best + 1e-12) [best, chosen] = [value[i * ny + j - 1]!, -2];
      [value[i * ny + j], choice[i * ny + j]] = [best, chosen];
    }
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
  return { value: value[nx * ny - 1]!, layout: { laid, counts: countOf(laid, prices.length) } };
}

export const countOf = (laid: Layout['laid'], kinds: number): readonly number[] => {
  const counts = new Array<number>(kinds).fill(0);
  for (const { lying } of laid) counts[lying.piece]! += 1;
  return counts;
};
