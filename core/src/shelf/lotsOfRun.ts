import { sayDay } from '../job/figures.ts';
import { thingKey, type ThingRef } from '../workshop/counted.ts';
import type { Workshop } from '../workshop/types.ts';
import { countedOf } from './buyingList.ts';
import { keepBooks, type FromLot } from './keepBooks.ts';
import type { Movement } from './types.ts';

/** What each run took of each thing, lot by lot, the oldest first: by the run, then by the thing’s key. */
export type LotsByRun = ReadonlyMap<string, ReadonlyMap<string, readonly FromLot[]>>;

export function lotsByRun(things: ReadonlyMap<string, readonly Movement[]>): LotsByRun {
  const runs = new Map<string, Map<string, readonly FromLot[]>>();
  for (const [key, movements] of things) {
    const runOf = new Map(movements.map(({ id, runId }) => [id, runId]));
    // In the order of their moments, so that lots come oldest first.
    for (const [id, from] of Object.entries(keepBooks(movements).from)) {
      const runId = runOf.get(id);
      if (!runId) continue;
      const run = runs.get(runId) ?? new Map<string, readonly FromLot[]>();
      runs.set(runId, run.set(key, joined([...(run.get(key) ?? []), ...from])));
    }
  }
  return runs;
}

/** What good and spoiled cards took of one lot is counted together. */
function joined(from: readonly FromLot[]): readonly FromLot[] {
  const lots = new Map<string, FromLot>();
  for (const one of from) {
    const had = lots.get(one.id);
    lots.set(one.id, had ? { ...one, count: one.count + had.count } : one);
  }
  return [...lots.values()];
}

/** What a run took of one thing. */
export interface LotsTaken extends ThingRef {
  /** One sentence. */
  readonly said: string;
}

/**
 * Which lots a run was made of, for each thing of which it took one with a name: what its pack or its maker calls it. What
 * is gone from the shelf is not spoken of.
 */
export function lotsOfRun(runId: string, lots: LotsByRun, workshop: Workshop): readonly LotsTaken[] {
  const taken = lots.get(runId);
  if (!taken) return [];
  return countedOf(workshop).flatMap(({ name, shelf, thingId }) => {
    const from = taken.get(thingKey({ shelf, thingId })) ?? [];
    if (!from.some(({ lot }) => lot !== null)) return [];
    const parts = from.map((one) => sayLot(one, workshop.region));
    return [{ shelf, thingId, said: `${name}: ${parts.join(', ')}.` }];
  });
}

const sayLot = ({ lot, at, count }: FromLot, region?: string): string =>
  lot === null ? `${count} that came ${sayDay(at.slice(0, 10), region)}` : `${count} of lot ${lot}`;
