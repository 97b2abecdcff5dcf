import { limitsOf, programme, SLIGHT } from './programme.ts';
import type { Column, MixedOrder, SolveProgramme, Used } from './types.ts';

export interface Choosing {
  readonly order: MixedOrder;
  readonly solve: SolveProgramme;
  /** No plan costs less, so nothing better than this is looked for. */
  readonly bound: number;
  /** No plan that costs more is of use. */
  readonly most: number;
  /** Every layout known by now. */
  readonly columns: () => readonly Column[];
  /** A few more layouts worth trying at these prices; those that a plan of use may hold are kept. */
  readonly more: ((prices: readonly number[], mayServe: (column: Column) => boolean) => void) | null;
}

/** Layouts handed to the integer programme: more take longer, and seldom find what fewer do not. */
const MOST_CHOSEN = 60;

/**
 * Whole numbers of known layouts that meet the order at a cost of use, if the integer programme finds any. A layout whose
 * reduced cost is more than that lies above the relaxed programme is in no such plan, and is left out; of the rest those of the least reduced cost are tried. Source: reduced-cost fixing, as in Nemhauser and Wolsey, Integer and
 * Combinatorial Optimization, 1988, II.5.2
 */
export function chooseWhole({ order, solve, bound, most, columns, more }: Choosing): readonly Used[] {
  let known = weighed(order, solve, columns(), most);
  if (more && known.serving.length < MOST_CHOSEN) {
    more(known.prices, known.mayServe);
    known = weighed(order, solve, columns(), most);
  }
  const chosen = known.serving.slice(0, MOST_CHOSEN);
  if (chosen.length === 0) return [];
  const { columns: times } = solve(programme(chosen, order, true), { target: bound + SLIGHT });
  return times.flatMap((x, j) => (Math.round(x) > 0 ? [{ column: chosen[j]!, times: Math.round(x) }] : []));
}

interface Weighed {
  /** What each piece is worth by the relaxed programme. */
  readonly prices: readonly number[];
  readonly mayServe: (column: Column) => boolean;
  /** Layouts that a plan of use may hold, those of least reduced cost first. */
  readonly serving: readonly Column[];
}

function weighed(order: MixedOrder, solve: SolveProgramme, columns: readonly Column[], most: number): Weighed {
  const { objective, duals } = solve(programme(columns, order, false));
  const prices = order.pieces.map((_, i) => Math.max(0, duals[i] ?? 0));
  const rent = new Map(limitsOf(order).map(({ sheet }, k) => [sheet, Math.max(0, -(duals[prices.length + k] ?? 0))]));
  const reduced = ({ counts, sheet }: Column): number =>
    order.sheets[sheet]!.cost + (rent.get(sheet) ?? 0) - counts.reduce((sum, n, i) => sum + n * prices[i]!, 0);
  const mayServe = (column: Column): boolean => reduced(column) <= most - objective + SLIGHT;
  const serving = columns.filter(mayServe).sort((a, b) => reduced(a) - reduced(b));
  return { prices, mayServe, serving };
}
