import type { Minor } from '../../ground/money.ts';
import type { Stage } from '../stages.ts';

/** A run as far as it tells what went wrong. */
export interface RunLosses {
  readonly good: number;
  readonly spoiled: number;
  readonly losses: readonly { readonly stage: Stage; readonly cause: string; readonly cards: number }[];
  /** What a card lost at each stage has cost; null where it is not known. */
  readonly costs: Readonly<Record<Stage, Minor>> | null;
}

export interface CauseLosses {
  readonly cause: string;
  readonly cards: number;
  readonly costMinor: Minor;
  /** Of the cost of this and of all that cost more. */
  readonly upTo: number;
  /** Of a hundred cards, in the newest runs and in those before; null where there are none before. */
  readonly now: number;
  readonly before: number | null;
}

export interface Pareto {
  /** What cost most comes first. */
  readonly causes: readonly CauseLosses[];
  readonly cards: number;
  readonly costMinor: Minor;
  /** Cards lost in runs that do not know what a card cost; they count as cards alone. */
  readonly unpriced: number;
  readonly newest: number;
}

/** As many of the newest runs are held against those before. */
const NEWEST_RUNS = 4;

/**
 * What each cause has cost, the dearest first, and whether it has become rarer.
 * @param runs the newest first
 */
export function paretoOf(runs: readonly RunLosses[]): Pareto {
  const made = runs.filter(({ good, spoiled }) => good + spoiled > 0);
  const [newest, before] = [made.slice(0, NEWEST_RUNS), made.slice(NEWEST_RUNS)];
  const lost = (of: readonly RunLosses[], cause: string): number =>
    sum(of, ({ losses }) => sum(losses, (one) => (one.cause === cause ? one.cards : 0)));
  const perHundred = (of: readonly RunLosses[], cause: string): number | null => {
    const cards = sum(of, ({ good, spoiled }) => good + spoiled);
    return cards === 0 ? null : (100 * lost(of, cause)) / cards;
  };
  const cost = (cause: string): number =>
    sum(made, ({ losses, costs }) =>
      sum(losses, (one) => (one.cause === cause && costs ? one.cards * costs[one.stage] : 0)),
    );
  const names = [...new Set(made.flatMap(({ losses }) => losses.map(({ cause }) => cause)))];
  const rows = names
    .map((cause) => ({ cause, cards: lost(made, cause), costMinor: cost(cause) }))
    .sort((a, b) => b.costMinor - a.costMinor || b.cards - a.cards || a.cause.localeCompare(b.cause));
  const costMinor = sum(rows, (row) => row.costMinor);
  const cards = sum(rows, (row) => row.cards);
  let reached = 0;
  return {
    causes: rows.map((row) => {
      // Where nothing is priced, cards stand for money.
      reached += costMinor > 0 ? row.costMinor / costMinor : row.cards / cards;
      return { ...row, upTo: reached, now: perHundred(newest, row.cause) ?? 0, before: perHundred(before, row.cause) };
    }),
    ...{ cards, costMinor, newest: newest.length },
    unpriced: sum(made, ({ losses, costs }) => (costs ? 0 : sum(losses, (one) => one.cards))),
  };
}

const sum = <T>(of: readonly T[], worth: (one: T) => number): number => of.reduce((n, one) => n + worth(one), 0);
