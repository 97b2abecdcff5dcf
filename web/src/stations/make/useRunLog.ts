import { useEffect, useState } from 'react';
import type { LoggedRunRow } from '@zippy/core/contract';
import { api } from '../../api/client.ts';

/** Every newest run of the studio, the last first; null until they are here. */
export function useRunLog(): { readonly runs: readonly LoggedRunRow[] | null; readonly problem: string | null } {
  const [runs, setRuns] = useState<readonly LoggedRunRow[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    api
      .runsLogged()
      .then((logged) => here && setRuns(logged.runs))
      .catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, []);
  return { runs, problem };
}
