import type { StoredWorkshop } from '@zippy/core/job-file';

const SHELVES = ['stocks', 'printers', 'trimmers', 'boards', 'envelopes'] as const;

/**
 * A workshop with whatever another has and it has not, told by their ids. What both have stays as it is here, and so do
 * rates and settings.
 */
export function addMissing(
  own: StoredWorkshop,
  other: StoredWorkshop,
): { readonly workshop: StoredWorkshop; readonly things: number } {
  let things = 0;
  const missing = <T extends { readonly id: string }>(mine: readonly T[], theirs: readonly T[]): readonly T[] => {
    const known = new Set(mine.map(({ id }) => id));
    const added = theirs.filter(({ id }) => !known.has(id));
    things += added.length;
    return [...mine, ...added];
  };
  const shelves = Object.fromEntries(
    SHELVES.map((shelf) => [shelf, missing<{ readonly id: string }>(own[shelf], other[shelf])]),
  ) as Pick<StoredWorkshop, (typeof SHELVES)[number]>;
  return { workshop: { ...own, ...shelves }, things };
}
