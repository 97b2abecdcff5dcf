import { useEffect, useState } from 'react';
import { byThing, lotsByRun, type LotsByRun } from '@zippy/core';
import type { LoggedRunRow } from '@zippy/core/contract';
import { api } from '../../api/client.ts';

export interface RunLogNow {
  /** Every newest run of the studio, the last first; null until they are here. */
  readonly runs: readonly LoggedRunRow[] | null;
  /** Of which lots they were made; null until that is here. */
  readonly lots: LotsByRun | null;
  readonly problem: string | null;
}

export function useRunLog(): RunLogNow {
  const [runs, setRuns] = useState<readonly LoggedRunRow[] | null>(null);
  const [lots, setLots] = useState<RunLogNow['lots']>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    const failed = (why: unknown): void => {
      if (here) setProblem((why as Error).message);
    };
    // The log does not wait for its lots, nor go without saying that they did not come.
    api
      .runsLogged()
      .then((logged) => here && setRuns(logged.runs))
      .catch(failed);
    api
      .shelf()
      .then(({ movements }) => here && setLots(lotsByRun(byThing(movements))))
      .catch(failed);
    return () => {
      here = false;
    };
  }, []);
  return { runs, lots, problem };
}
