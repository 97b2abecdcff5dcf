import { programme, SLIGHT } from './programme.ts';
import type { Column, MixedOrder, SolveProgramme, Used } from './types.ts';

export interface Diving {
  readonly order: MixedOrder;
  readonly solve: SolveProgramme;
  readonly random: () => number;
  /** Every layout known by now. */
  readonly columns: () => readonly Column[];
  /** Keeps a new layout for all that come after; false where it is known. */
  readonly keep: (column: Column) => boolean;
  /** A valuable layout of each sheet at some prices, with no more of any piece than is left. */
  readonly price: (prices: readonly number[], rest: readonly number[]) => readonly Column[];
  /** How often the relaxed plan uses each of the first layouts. */
  readonly relaxed: readonly number[];
  /** Whole sheets of the relaxed plan that are laid anew. */
  readonly loosened: number;
}

/** Rounds of pricing before one layout of the rest is settled. */
const ROUNDS = 8;

/**
 * A whole plan by settling one layout after another: the whole sheets of the relaxed plan first; then the programme is
 * relaxed again for what is left, priced anew for just that, and the layout it uses most is settled, until nothing is
 * left. Source: diving in branch-and-price, as in Sadykov et al., Primal heuristics for branch and price, 2019
 */
export function dive({ order, solve, random, columns, keep, price, relaxed, loosened }: Diving): readonly Used[] {
  const used: { column: Column; times: number }[] = [];
  const known = columns();
  relaxed.forEach((x, j) => {
    const times = Math.floor(x + SLIGHT);
    if (times > 0) used.push({ column: known[j]!, times });
  });
  for (let k = 0; k < loosened && used.length > 0; k += 1) {
    const at = Math.floor(random() * used.length);
    const one = used[at]!;
    if (one.times > 1) one.times -= 1;
    else used.splice(at, 1);
  }
  const rest = order.pieces.map(({ wanted }, i) =>
    Math.max(0, wanted - used.reduce((sum, { column, times }) => sum + times * column.counts[i]!, 0)),
  );
  while (rest.some((n) => n > 0))
    for (const { column, times } of nextLayouts({ order, solve, columns, keep, price }, rest, spentBy(used), random)) {
      used.push({ column, times });
      column.counts.forEach((n, i) => (rest[i] = Math.max(0, rest[i]! - n * times)));
    }
  return used;
}

/**
 * Layouts that the relaxed rest uses whole, or the one it leans on most; now and then the next one to it, so that dives
 * differ.
 */
function nextLayouts(
  { order, solve, columns, keep, price }: Pick<Diving, 'order' | 'solve' | 'columns' | 'keep' | 'price'>,
  rest: readonly number[],
  spent: readonly number[],
  random: () => number,
): readonly Used[] {
  let answer = solve(programme(columns(), order, false, rest, spent));
  for (let round = 0; round < ROUNDS; round += 1) {
    const prices = order.pieces.map((_, i) => (rest[i]! > 0 ? Math.max(0, answer.duals[i] ?? 0) : 0));
    const better = price(prices, rest).filter(
      (column) =>
        column.counts.reduce((sum, n, i) => sum + n * prices[i]!, 0) > order.sheets[column.sheet]!.cost + SLIGHT &&
        keep(column),
    );
    if (better.length === 0) break;
    answer = solve(programme(columns(), order, false, rest, spent));
  }
  const all = columns();
  // Of use is what lays something that is still wanted.
  const ranked = answer.columns
    .map((x, j) => ({ x, j }))
    .filter(({ x, j }) => x > SLIGHT && all[j]!.counts.some((n, i) => n > 0 && rest[i]! > 0))
    .sort((a, b) => b.x - a.x);
  const whole = ranked.filter(({ x }) => x >= 1 - SLIGHT);
  if (whole.length > 0) return whole.map(({ x, j }) => ({ column: all[j]!, times: Math.floor(x + SLIGHT) }));
  const second = ranked[1];
  const pick = second && second.x > ranked[0]!.x / 2 && random() < 0.35 ? second : ranked[0]!;
  return [{ column: all[pick.j]!, times: 1 }];
}

/** Sheets used so far, by their place in the order. */
function spentBy(used: readonly Used[]): readonly number[] {
  const spent: number[] = [];
  for (const { column, times } of used) spent[column.sheet] = (spent[column.sheet] ?? 0) + times;
  return spent;
}
