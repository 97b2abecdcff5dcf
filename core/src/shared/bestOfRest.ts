import { remainders } from '../stations/sheet/layout/guillotine.ts';
import { layoutFrom, type CutPoints } from './bestLayout.ts';
import type { Layout, Lying } from './types.ts';

/** Prices add up in doubles; what differs by less is the same. */
const SLIGHT = 1e-12;

/**
 * A valuable layout of one sheet with no more of any piece than is left: the recursion of {@link bestLayout}, each
 * rectangle with the counts of the layout it keeps, and a sum worth only what is still wanted of it. Keeping one layout
 * a rectangle makes it a good answer and not always the best.
 * Source: the bounded variant in Cintra et al., Algorithms for two-dimensional cutting stock and strip packing
 * problems using dynamic programming and column generation, 2008
 */
export function bestOfRest(
  xs: CutPoints,
  ys: CutPoints,
  ways: readonly Lying[],
  prices: readonly number[],
  rest: readonly number[],
): Layout {
  const [nx, ny, kinds] = [xs.points.length, ys.points.length, prices.length];
  const value = new Float64Array(nx * ny);
  const counts = new Uint16Array(nx * ny * kinds);
  /** As {@link layoutFrom} reads them. */
  const choice = new Int32Array(nx * ny);
  const [belowX, belowY] = [remainders(xs.points), remainders(ys.points)];
  const of = (cell: number, kind: number): number => counts[cell * kinds + kind]!;
  const worthOf = (a: number, b: number): number => {
    let sum = 0;
    for (let k = 0; k < kinds; k += 1) {
      const n = of(a, k) + of(b, k);
      if (n > 0) sum += Math.min(n, rest[k]!) * prices[k]!;
    }
    return sum;
  };
  const take = (cell: number, from: number, chosen: number): void => {
    value[cell] = value[from]!;
    choice[cell] = chosen;
    for (let k = 0; k < kinds; k += 1) counts[cell * kinds + k] = of(from, k);
  };
  const join = (cell: number, a: number, b: number, chosen: number): void => {
    // Two halves may be worth more than is left of a piece: then their joint worth is less than their sum.
    if (value[a]! + value[b]! <= value[cell]! + SLIGHT) return;
    const worth = worthOf(a, b);
    if (worth <= value[cell]! + SLIGHT) return;
    value[cell] = worth;
    choice[cell] = chosen;
    for (let k = 0; k < kinds; k += 1) counts[cell * kinds + k] = of(a, k) + of(b, k);
  };
  for (let i = 1; i < nx; i += 1)
    for (let j = 1; j < ny; j += 1) {
      const cell = i * ny + j;
      const [x, y] = [xs.points[i]!, ys.points[j]!];
      if (value[cell - ny]! > 0) take(cell, cell - ny, -1);
      if (value[cell - 1]! > value[cell]! + SLIGHT) take(cell, cell - 1, -2);
      ways.forEach((way, k) => {
        const price = prices[way.piece]!;
        if (way.widthNm > x || way.heightNm > y || price <= value[cell]! + SLIGHT) return;
        value[cell] = price;
        choice[cell] = k + 1;
        for (let kind = 0; kind < kinds; kind += 1) counts[cell * kinds + kind] = kind === way.piece ? 1 : 0;
      });
      for (let k = 1; k < i && 2 * xs.points[k]! <= x; k += 1)
        join(cell, k * ny + j, belowX[i]![k]! * ny + j, 1000 + k);
      for (let k = 1; k < j && 2 * ys.points[k]! <= y; k += 1)
        join(cell, i * ny + k, i * ny + belowY[j]![k]!, -1000 - k);
    }
  return layoutFrom({ xs, ys, belowX, belowY, ways, choiceAt: (i, j) => choice[i * ny + j]!, kinds });
}
