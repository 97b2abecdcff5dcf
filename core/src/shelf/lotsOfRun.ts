import { sayDay } from '../job/figures.ts';
import { thingKey, type ThingRef } from '../workshop/counted.ts';
import type { Workshop } from '../workshop/types.ts';
import { countedOf } from './buyingList.ts';
import { keepBooks, type Books, type FromLot } from './keepBooks.ts';
import type { Movement } from './types.ts';

/** The books of every thing, by its key. */
export const booksOf = (
  things: ReadonlyMap<string, readonly Movement[]>,
): ReadonlyMap<string, Pick<Books, 'from'> & { readonly movements: readonly Movement[] }> =>
  new Map([...things].map(([key, movements]) => [key, { movements, from: keepBooks(movements).from }]));

/** What a run took of one thing, lot by lot. */
export interface LotsTaken extends ThingRef {
  /** One sentence. */
  readonly said: string;
}

/**
 * Which lots a run was made of, for each thing that has a lot with a name: what its pack or its maker calls it. What is gone
 * from the shelf is not spoken of.
 */
export function lotsOfRun(runId: string, books: ReturnType<typeof booksOf>, workshop: Workshop): readonly LotsTaken[] {
  return countedOf(workshop).flatMap(({ name, shelf, thingId }) => {
    const own = books.get(thingKey({ shelf, thingId }));
    if (!own) return [];
    const from = own.movements.filter((one) => one.runId === runId).flatMap(({ id }) => own.from[id] ?? []);
    if (!from.some(({ lot }) => lot !== null)) return [];
    const parts = joined(from).map((one) => sayLot(one, workshop.region));
    return [{ shelf, thingId, said: `${name}: ${parts.join(', ')}.` }];
  });
}

const sayLot = ({ lot, at, count }: FromLot, region?: string): string =>
  lot === null ? `${count} of ${sayDay(at.slice(0, 10), region)}` : `${count} of lot ${lot}`;

/** What good and spoiled cards took of one lot is told together. */
function joined(from: readonly FromLot[]): readonly FromLot[] {
  const lots = new Map<string, FromLot>();
  for (const one of from) {
    const key = `${one.at} ${one.lot ?? ''}`;
    lots.set(key, { ...one, count: one.count + (lots.get(key)?.count ?? 0) });
  }
  return [...lots.values()].sort((a, b) => (a.at < b.at ? -1 : 1));
}
