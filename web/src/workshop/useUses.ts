import { createContext, useContext, useEffect, useState } from 'react';
import type { Shelf } from '@zippy/core';
import type { JobUses } from '@zippy/core/contract';
import { api } from '../api/client.ts';

/** Which jobs name what; null until the server has said. */
export const UsesContext = createContext<readonly JobUses[] | null>(null);

export function useUses(): readonly JobUses[] | null {
  const [uses, setUses] = useState<readonly JobUses[] | null>(null);
  useEffect(() => {
    api.uses().then(
      (found) => setUses(found.uses),
      () => {
        // Without the server nothing is said of jobs; things can be changed all the same.
      },
    );
  }, []);
  return uses;
}

/** The jobs that name this thing, or this feed path of it; null until that is known. */
export function useJobsWith(shelf: Shelf, id: string, pathId?: string): readonly JobUses[] | null {
  const uses = useContext(UsesContext);
  return (
    uses?.filter((job) =>
      job.uses.some((use) => use.shelf === shelf && use.id === id && (pathId === undefined || use.pathId === pathId)),
    ) ?? null
  );
}
