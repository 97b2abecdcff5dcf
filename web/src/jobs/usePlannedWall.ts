import { useEffect, useMemo, useState } from 'react';
import type { Job, JobBench, Plan, Workshop } from '@zippy/core';
import type { JobsOnTheWall } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { sendAllKept } from '../stores/job.ts';
import { askPlanInTurn } from '../workers/planner.ts';

/** A job on the wall with its plan, and what its runs have come to. */
export interface OnWall {
  readonly jobId: string;
  readonly job: Job;
  readonly plan: Plan;
  /** Undefined before its first run. */
  readonly bench: JobBench | undefined;
}

/** The wall as the server has it; a page may change its copy, and put what it changed. */
export function useWall(): {
  readonly wall: JobsOnTheWall | null;
  readonly setWall: React.Dispatch<React.SetStateAction<JobsOnTheWall | null>>;
  readonly problem: string | null;
} {
  const [wall, setWall] = useState<JobsOnTheWall | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    const load = async (): Promise<void> => {
      await sendAllKept();
      const stored = await api.jobs();
      if (here) setWall(stored);
    };
    load().catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, []);
  return { wall, setWall, problem };
}

/**
 * Every job on the wall, planned one after the other; null until all are.
 * @returns what cannot be planned by its title: it says why at its own stations
 */
export function usePlanned(
  wall: JobsOnTheWall | null,
  workshop: Workshop,
): { readonly planned: readonly OnWall[]; readonly unplanned: readonly string[] } | null {
  const [found, setFound] = useState<ReturnType<typeof usePlanned>>(null);
  const asked = JSON.stringify(withoutCounts(workshop));
  // eslint-disable-next-line react-hooks/exhaustive-deps -- by its text: how many there are, and evenings, plan nothing anew
  const plannedWith = useMemo(() => workshop, [asked]);
  useEffect(() => {
    if (!wall) return;
    const left = new AbortController();
    const bench = new Map(wall.bench.map((one) => [one.jobId, one]));
    const asked = wall.jobs.map(async ({ id, document }): Promise<OnWall | string> => {
      try {
        const plan = await askPlanInTurn(document, plannedWith, left.signal);
        return { jobId: id, job: document, plan, bench: bench.get(id) };
      } catch {
        return document.brief.title;
      }
    });
    void Promise.all(asked).then((all) => {
      if (left.signal.aborted) return;
      setFound({
        planned: all.filter((one) => typeof one !== 'string'),
        unplanned: all.filter((one) => typeof one === 'string'),
      });
    });
    return () => left.abort();
  }, [wall, plannedWith]);
  return found;
}

/** What a plan’s sheets and minutes follow from. */
const withoutCounts = ({ times: _, ...workshop }: Workshop): object => ({
  ...workshop,
  stocks: workshop.stocks.map(({ onShelf: _count, ...rest }) => rest),
  envelopes: workshop.envelopes.map(({ onShelf: _count, ...rest }) => rest),
  trimmings: workshop.trimmings.map(({ onShelf: _count, ...rest }) => rest),
});
