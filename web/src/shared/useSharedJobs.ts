import { useEffect, useMemo, useState } from 'react';
import { sharedPieces, sharedPictureId, type Job, type Plan, type SharedPiece, type Workshop } from '@zippy/core';
import { api } from '../api/client.ts';
import { sendAllKept } from '../stores/job.ts';
import { askPlan } from '../workers/planner.ts';

interface PlannedJob {
  readonly id: string;
  readonly job: Job;
  readonly plan: Plan;
}

/** Every job on the wall, planned, and the pieces that each could send to a shared sheet. */
export function useSharedJobs(
  workshop: Workshop,
  grain: 'respect' | 'ignore',
): {
  readonly pieces: readonly SharedPiece[] | null;
  readonly pictures: Job['pictures'];
  readonly problem: string | null;
} {
  const [jobs, setJobs] = useState<readonly PlannedJob[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    const load = async (): Promise<void> => {
      await sendAllKept();
      const { jobs: stored } = await api.jobs();
      const planned = await Promise.all(
        stored.map(async ({ id, document }) => {
          try {
            return [{ id, job: document, plan: await askPlan(document, workshop) }];
          } catch {
            // A job that cannot be planned says so at its own stations.
            return [];
          }
        }),
      );
      if (here) setJobs(planned.flat());
    };
    load().catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, [workshop]);
  const pieces = useMemo(
    () => jobs?.flatMap(({ id, job, plan }) => sharedPieces(id, job, plan, grain)) ?? null,
    [jobs, grain],
  );
  const pictures = useMemo(
    () =>
      Object.fromEntries(
        (jobs ?? []).flatMap(({ id, job }) =>
          Object.entries(job.pictures).map(([name, ref]) => [sharedPictureId(id, name), ref] as const),
        ),
      ),
    [jobs],
  );
  return { pieces, pictures, problem };
}
