import type { StoredWorkshop } from '@zippy/core/job-file';

const SHELVES = ['stocks', 'printers', 'trimmers', 'boards', 'tools', 'envelopes', 'trimmings', 'adhesives'] as const;

/** A thing by its shelf and id. */
export const shelfKey = (shelf: string, id: string): string => `${shelf} ${id}`;

/**
 * A workshop with whatever another has and it has not, told by their ids. What both have stays as it is here, and so do
 * rates and settings. `added` says of which shelf each thing that came is.
 */
export function addMissing(
  own: StoredWorkshop,
  other: StoredWorkshop,
): { readonly workshop: StoredWorkshop; readonly added: ReadonlySet<string> } {
  const added = new Set<string>();
  const withMissing = <T extends { readonly id: string }>(shelf: string, mine: readonly T[], theirs: readonly T[]) => {
    const known = new Set(mine.map(({ id }) => id));
    const missing = theirs.filter(({ id }) => !known.has(id));
    for (const { id } of missing) added.add(shelfKey(shelf, id));
    return [...mine, ...missing];
  };
  const shelves = Object.fromEntries(
    SHELVES.map((shelf) => [shelf, withMissing<{ readonly id: string }>(shelf, own[shelf], other[shelf])]),
  ) as unknown as Pick<StoredWorkshop, (typeof SHELVES)[number]>;
  return { workshop: { ...own, ...shelves }, added };
}
