import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  byThing,
  needsOf,
  countedOf,
  takesOf,
  thingKey,
  type JobNeeds,
  type Movement,
  type Need,
  type Workshop,
} from '@zippy/core';
import type { JobsOnTheWall } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { sendAllKept } from '../stores/job.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { askPlanInTurn } from '../workers/planner.ts';

export interface ShelfNow {
  /** By the thing’s key; null until the books are here. */
  readonly movements: ReadonlyMap<string, readonly Movement[]> | null;
  /** Null until every job on the wall is planned. */
  readonly needs: readonly Need[] | null;
  /** Titles of jobs that cannot be planned, and so want nothing here. */
  readonly unplanned: readonly string[];
  readonly problem: string | null;
  readonly reload: () => Promise<void>;
}

/** The books, and what the jobs on the wall take of what is on the shelf. */
export function useShelf(workshop: Workshop): ShelfNow {
  const [movements, setMovements] = useState<ShelfNow['movements']>(null);
  const [wall, setWall] = useState<JobsOnTheWall | null>(null);
  const [jobs, setJobs] = useState<{
    readonly planned: readonly JobNeeds[];
    readonly unplanned: readonly string[];
  } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const reload = useCallback(async (): Promise<void> => {
    const { movements: all } = await api.shelf();
    setMovements(byThing(all));
    // A movement makes the workshop that is here old.
    await useWorkshop.getState().load();
  }, []);
  useEffect(() => {
    let here = true;
    const load = async (): Promise<void> => {
      await sendAllKept();
      const [books, stored] = await Promise.all([api.shelf(), api.jobs()]);
      if (!here) return;
      setMovements(byThing(books.movements));
      setWall(stored);
    };
    load().catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, []);
  // What is on the shelf changes no plan’s sheets; what things are does.
  const plannedWith = useMemo(() => workshop, [JSON.stringify(withoutCounts(workshop))]); // eslint-disable-line react-hooks/exhaustive-deps -- by its text: counts alone plan nothing anew
  useEffect(() => {
    if (!wall) return;
    const left = new AbortController();
    const bench = new Map(wall.bench.map((one) => [one.jobId, one]));
    const asked = wall.jobs.map(async ({ id, document }): Promise<JobNeeds | string> => {
      try {
        const plan = await askPlanInTurn(document, plannedWith, left.signal);
        const { openRunId = null, finishedGood = 0 } = bench.get(id) ?? {};
        return {
          ...{ jobId: id, title: document.brief.title, dueDate: document.brief.dueDate, finishedGood },
          takes: takesOf(document, plan),
          ...{ wanted: plan.brief.wanted, spares: plan.sheet.spares },
          onBench: openRunId !== null,
        };
      } catch {
        return document.brief.title;
      }
    });
    void Promise.all(asked).then((all) => {
      if (left.signal.aborted) return;
      setJobs({
        planned: all.filter((one) => typeof one !== 'string'),
        unplanned: all.filter((one) => typeof one === 'string'),
      });
    });
    return () => left.abort();
  }, [wall, plannedWith]);
  const needs = useMemo(
    () => jobs && needsOf(jobs.planned, new Map(countedOf(workshop).map((thing) => [thingKey(thing), thing.onShelf]))),
    [jobs, workshop],
  );
  return { movements, needs, unplanned: jobs?.unplanned ?? [], problem, reload };
}

const withoutCounts = (workshop: Workshop): object => ({
  ...workshop,
  spoilLog: null,
  stocks: workshop.stocks.map(({ onShelf: _, ...rest }) => rest),
  envelopes: workshop.envelopes.map(({ onShelf: _, ...rest }) => rest),
  trimmings: workshop.trimmings.map(({ onShelf: _, ...rest }) => rest),
});
