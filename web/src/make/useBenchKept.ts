import { useEffect, useState } from 'react';
import type { Run } from '@zippy/core';
import type { BenchKept } from '../offline/keepForBench.ts';

/** Has the browser keep this run’s bench, once; the page works all the same where it cannot. */
export function useBenchKept(run: Run | null): BenchKept {
  const [kept, setKept] = useState<BenchKept>('keeping');
  const id = run?.id;
  useEffect(() => {
    if (!run) return;
    let here = true;
    import('../offline/keepForBench.ts')
      .then(({ keepForBench }) => keepForBench(run))
      .catch((): BenchKept => 'cannot')
      .then((how) => here && setKept(how))
      .catch(() => undefined);
    return () => {
      here = false;
    };
    // What a run shows does not change.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what a run shows does not change while it is made
  }, [id]);
  return kept;
}
