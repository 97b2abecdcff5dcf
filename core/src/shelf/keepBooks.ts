import type { Minor } from '../ground/money.ts';
import type { Movement } from './types.ts';

/** What is left of what came together. */
export interface Lot {
  /** Of the movement that brought it. */
  readonly id: string;
  readonly lot: string | null;
  readonly at: string;
  readonly left: number;
  /** What one of it cost, in parts of a minor unit; null where nobody said. */
  readonly eachMinor: Minor | null;
}

/** What a movement took of one lot. */
export interface FromLot extends Pick<Lot, 'id' | 'lot' | 'at'> {
  readonly count: number;
}

/** The books of one thing. */
export interface Books {
  readonly count: number;
  /** Oldest first; together they are the count. */
  readonly lots: readonly Lot[];
  /** What went by each movement that took something, as its lots cost; null where some of that is not known. */
  readonly cost: Readonly<Record<string, Minor | null>>;
  /** Which lots each of those movements took, the oldest first; of what was not there it took none. */
  readonly from: Readonly<Record<string, readonly FromLot[]>>;
  /** The day and moment it was counted last; null where it never was. */
  readonly countedAt: string | null;
}

/**
 * What comes first goes first.
 * @param movements of one thing, in any order: the books are kept in that of their moments
 */
export function keepBooks(movements: readonly Movement[]): Books {
  const inTurn = [...movements].sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1));
  const lots: { -readonly [K in keyof Lot]: Lot[K] }[] = [];
  const cost: Record<string, Minor | null> = {};
  const from: Record<string, readonly FromLot[]> = {};
  let countedAt: string | null = null;
  // More went than there was: the books wait for a count, and what comes next makes it up first.
  let owed = 0;
  for (const { id, cause, change, at, priceMinor, lot } of inTurn) {
    if (cause === 'counted' || cause === 'opening') countedAt = at;
    if (change > 0) {
      const made = Math.min(owed, change);
      owed -= made;
      if (change > made)
        lots.push({ id, lot, at, left: change - made, eachMinor: priceMinor === null ? null : priceMinor / change });
    } else if (change < 0) {
      const taken = takeFirst(lots, -change);
      cost[id] = taken.missing > 0 ? null : taken.costMinor;
      from[id] = taken.from;
      owed += taken.missing;
    }
  }
  return { count: lots.reduce((sum, { left }) => sum + left, 0) - owed, lots, cost, from, countedAt };
}

interface TakenOfLots {
  readonly costMinor: Minor | null;
  readonly from: readonly FromLot[];
  /** As many as there were not. */
  readonly missing: number;
}

/** Takes so many of the oldest. */
function takeFirst(lots: (Omit<Lot, 'left'> & { left: number })[], wanted: number): TakenOfLots {
  let [sum, rest]: [Minor | null, number] = [0, wanted];
  const from: FromLot[] = [];
  while (rest > 0 && lots.length > 0) {
    const [first] = lots as [(typeof lots)[0]];
    const taken = Math.min(rest, first.left);
    sum = sum === null || first.eachMinor === null ? null : sum + taken * first.eachMinor;
    from.push({ id: first.id, lot: first.lot, at: first.at, count: taken });
    rest -= taken;
    first.left -= taken;
    if (first.left === 0) lots.shift();
  }
  return { costMinor: sum, from, missing: rest };
}
