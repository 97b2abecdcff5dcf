import { useCallback, useEffect, useState } from 'react';
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
import type { JobsOnTheWall, StoredJob } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { sendAllKept } from '../stores/job.ts';
import type { CalendarAsked } from '../workers/calendar.worker.ts';
import { askPlanInTurn } from '../workers/planner.ts';
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
  const [wall, setWall] = useState<JobsOnTheWall | null>(null);
  const [found, setFound] = useState<{
    readonly jobs: readonly JobWork[];
    readonly unplanned: readonly string[];
  } | null>(null);
  const [learnt, setLearnt] = useState<LearntPace>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [now] = useState(wallClock);
  useEffect(() => {
    let here = true;
    const load = async (): Promise<void> => {
      await sendAllKept();
      const [stored, timed] = await Promise.all([api.jobs(), api.timedRuns()]);
      if (!here) return;
      setLearnt(learnPace(timed.runs));
      setWall(stored);
    };
    load().catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, []);
  useEffect(() => {
    if (!wall) return;
    const left = new AbortController();
    const bench = new Map(wall.bench.map((one) => [one.jobId, one]));
    const asked = wall.jobs.map(async ({ id, document }): Promise<JobWork | string> => {
      try {
        const plan = await askPlanInTurn(document, workshop, left.signal);
        const { wanted } = plan.brief;
        const good = bench.get(id)?.good ?? 0;
        return jobWork(
          { jobId: id, job: document, plan, shareLeft: Math.max(0, wanted - good) / Math.max(1, wanted) },
          each(learnt, ({ times }) => times),
        );
      } catch {
        return document.brief.title;
      }
    });
    void Promise.all(asked).then((all) => {
      if (left.signal.aborted) return;
      setFound({
        jobs: all.filter((one) => typeof one !== 'string').filter(({ stages }) => stages.length > 0),
        unplanned: all.filter((one) => typeof one === 'string'),
      });
    });
    return () => left.abort();
  }, [wall, workshop, learnt]);
  const outlook = useNewest<CalendarAsked, Outlook>(makeWorker, {
    jobs: found?.jobs ?? [],
    times: timesOf(workshop),
    now,
    strays: each(learnt, ({ strays }) => strays),
  });
  const beginOn = useCallback(
    async (jobId: string, day: string | null): Promise<void> => {
      const stored = wall?.jobs.find(({ id }) => id === jobId);
      if (!wall || !stored) return;
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
    [wall],
  );
  return {
    jobs: found?.jobs ?? null,
    outlook: found && outlook,
    learnt,
    unplanned: found?.unplanned ?? [],
    problem,
    beginOn,
  };
}

/** One figure of each stage that was learnt. */
const each = (learnt: LearntPace, figure: (stage: LearntStage) => number): Readonly<Partial<Record<Stage, number>>> =>
  Object.fromEntries(Object.entries(learnt).map(([stage, one]) => [stage, figure(one)]));
