import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  byThing,
  countedOf,
  needsOf,
  takesOf,
  thingKey,
  type JobNeeds,
  type Movement,
  type Need,
  type Workshop,
} from '@zippy/core';
import { api } from '../api/client.ts';
import { usePlanned, useWall, type OnWall } from '../jobs/usePlannedWall.ts';
import { useWorkshop } from '../stores/workshop.ts';

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
  const [problem, setProblem] = useState<string | null>(null);
  const wall = useWall();
  useEffect(() => {
    let here = true;
    api
      .shelf()
      .then((books) => here && setMovements(byThing(books.movements)))
      .catch((why: unknown) => here && setProblem((why as Error).message));
    return () => {
      here = false;
    };
  }, []);
  const reload = useCallback(async (): Promise<void> => {
    setMovements(byThing((await api.shelf()).movements));
    // A movement makes the workshop that is here old.
    await useWorkshop.getState().load();
  }, []);
  const jobs = usePlanned(wall.wall, workshop);
  const needs = useMemo(
    () =>
      jobs &&
      needsOf(
        jobs.planned.map(needsOfJob),
        new Map(countedOf(workshop).map((thing) => [thingKey(thing), thing.onShelf])),
      ),
    [jobs, workshop],
  );
  return { movements, needs, unplanned: jobs?.unplanned ?? [], problem: problem ?? wall.problem, reload };
}

const needsOfJob = ({ jobId, job, plan, bench }: OnWall): JobNeeds => ({
  ...{ jobId, title: job.brief.title, dueDate: job.brief.dueDate, takes: takesOf(job, plan) },
  ...{ wanted: plan.brief.wanted, spares: plan.sheet.spares },
  finishedGood: bench?.finishedGood ?? 0,
  onBench: bench?.openRunId != null,
});
