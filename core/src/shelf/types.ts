import type { Minor } from '../ground/money.ts';
import { thingKey, type ThingRef } from '../workshop/counted.ts';

/**
 * Why a count changed: the thing came with its count; it was bought; it was counted anew; a run’s good cards were made of
 * it, or its spoiled ones; an offcut was kept; something else happened to it, which the note says; it left the shelf.
 */
export const MOVEMENT_CAUSES = ['opening', 'bought', 'counted', 'made', 'spoiled', 'offcut', 'other', 'away'] as const;
export type MovementCause = (typeof MOVEMENT_CAUSES)[number];

/** So many more, or fewer, of one thing on the shelf. */
export interface Movement extends ThingRef {
  readonly id: string;
  readonly cause: MovementCause;
  readonly change: number;
  /** ISO 8601. */
  readonly at: string;
  /** What all of it cost; null where nobody said. */
  readonly priceMinor: Minor | null;
  /** As its pack or the maker names it. */
  readonly lot: string | null;
  readonly note: string | null;
  /** Of what a run has taken. */
  readonly runId: string | null;
}

/** Movements of each thing, by its key, in the order they came in. */
export function byThing(movements: readonly Movement[]): ReadonlyMap<string, readonly Movement[]> {
  const things = new Map<string, Movement[]>();
  for (const movement of movements) {
    const key = thingKey(movement);
    const own = things.get(key);
    if (own) own.push(movement);
    else things.set(key, [movement]);
  }
  return things;
}
