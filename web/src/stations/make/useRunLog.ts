import { useEffect, useState } from 'react';
import { booksOf, byThing } from '@zippy/core';
import type { LoggedRunRow } from '@zippy/core/contract';
import { api } from '../../api/client.ts';

export interface RunLogNow {
  /** Every newest run of the studio, the last first; null until they are here. */
  readonly runs: readonly LoggedRunRow[] | null;
  /** What came on the shelf and went; null until it is here. */
  readonly books: ReturnType<typeof booksOf> | null;
  readonly problem: string | null;
}

export function useRunLog(): RunLogNow {
  const [runs, setRuns] = useState<readonly LoggedRunRow[] | null>(null);
  const [books, setBooks] = useState<RunLogNow['books']>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    api
      .runsLogged()
      .then((logged) => here && setRuns(logged.runs))
      .catch((why: unknown) => here && setProblem((why as Error).message));
    // A log without its lots is a log still.
    api
      .shelf()
      .then(({ movements }) => here && setBooks(booksOf(byThing(movements))))
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, []);
  return { runs, books, problem };
}
