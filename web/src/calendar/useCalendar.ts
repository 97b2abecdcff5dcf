import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  changeJob,
  decide,
  jobWork,
  learnPace,
  timesOf,
  type JobWork,
  type LearntPace,
  type LearntStage,
  type Minute,
  type Outlook,
  type Stage,
  type Workshop,
} from '@zippy/core';
import type { StoredJob } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { usePlanned, useWall } from '../jobs/usePlannedWall.ts';
import type { CalendarAsked } from '../workers/calendar.worker.ts';
import { useNewest } from '../workers/useNewest.ts';

const makeWorker = (): Worker =>
  new Worker(new URL('../workers/calendar.worker.ts', import.meta.url), { type: 'module' });

/** The wall clock here, as the core counts minutes. */
export const wallClock = (): Minute => {
  const now = new Date();
  return Math.floor(now.getTime() / 60_000) - now.getTimezoneOffset();
};

export interface CalendarNow {
  /** Null until every job is planned. */
  readonly jobs: readonly JobWork[] | null;
  readonly outlook: Outlook | null;
  /** What finished runs have taught of the maker’s pace. */
  readonly learnt: LearntPace;
  readonly unplanned: readonly string[];
  readonly problem: string | null;
  /** Begins a job no sooner than a day, or whenever there is time. */
  readonly beginOn: (jobId: string, day: string | null) => Promise<void>;
}

/** The jobs on the wall, each planned, and the evenings that hold them. */
export function useCalendar(workshop: Workshop): CalendarNow {
  const { wall, setWall, problem: away } = useWall();
  const [learnt, setLearnt] = useState<LearntPace>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [now] = useState(wallClock);
  useEffect(() => {
    let here = true;
    api
      .timedRuns()
      .then(({ runs }) => here && setLearnt(learnPace(runs)))
      .catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, []);
  const found = usePlanned(wall, workshop);
  const jobs = useMemo(
    () =>
      found &&
      found.planned
        .map(({ jobId, job, plan, bench }) => {
          const { wanted } = plan.brief;
          const shareLeft = Math.max(0, wanted - (bench?.good ?? 0)) / Math.max(1, wanted);
          return jobWork(
            { jobId, job, plan, shareLeft },
            each(learnt, ({ times }) => times),
          );
        })
        .filter(({ stages }) => stages.length > 0),
    [found, learnt],
  );
  const outlook = useNewest<CalendarAsked, Outlook>(makeWorker, {
    ...{ jobs: jobs ?? [], times: timesOf(workshop), now },
    strays: each(learnt, ({ strays }) => strays),
  });
  const beginOn = useCallback(
    async (jobId: string, day: string | null): Promise<void> => {
      const stored = wall?.jobs.find(({ id }) => id === jobId);
      if (!stored) return;
      const document = changeJob(stored.document, [decide((job) => job.make.beginOn, day)]);
      setProblem(null);
      const put = (part: Partial<StoredJob>): void =>
        setWall(
          (all) => all && { ...all, jobs: all.jobs.map((one) => (one.id === jobId ? { ...one, ...part } : one)) },
        );
      put({ document });
      try {
        const { version } = await api.saveJob(jobId, stored.version, document);
        put({ version });
      } catch (why) {
        put(stored);
        setProblem((why as Error).message);
      }
    },
    [wall, setWall],
  );
  return {
    ...{ jobs, learnt, beginOn, outlook: jobs && outlook },
    ...{ unplanned: found?.unplanned ?? [], problem: problem ?? away },
  };
}

/** One figure of each stage that was learnt. */
const each = (learnt: LearntPace, figure: (stage: LearntStage) => number): Readonly<Partial<Record<Stage, number>>> =>
  Object.fromEntries(Object.entries(learnt).map(([stage, one]) => [stage, figure(one)]));
