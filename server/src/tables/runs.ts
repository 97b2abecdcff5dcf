import {
  wantedOf,
  type Job,
  type JobBench,
  type LossCosts,
  type MakeStep,
  type Run,
  type RunDetail,
  type RunEvent,
  type Take,
  type TimedRun,
  type Workshop,
} from '@zippy/core';
import type { PoolClient } from 'pg';
import { everyRow, exactly } from './everyRow.ts';
import type { Db } from './types.ts';

interface Row {
  id: string;
  job_id: string;
  document: Job;
  wanted: number;
  steps: readonly MakeStep[];
  workshop: Workshop | null;
  takes: readonly Take[] | null;
  started_at: Date;
  finished_at: Date | null;
}

interface EventRow {
  id: string;
  kind: RunEvent['kind'];
  cards: number;
  cause: string | null;
  step_id: string | null;
  undoes: string | null;
  at: Date;
  detail: RunDetail | null;
}

export async function addRun(
  db: Db,
  studioId: string,
  run: {
    readonly id: string;
    readonly jobId: string;
    readonly document: Job;
    readonly steps: readonly MakeStep[];
    readonly workshop: Workshop;
    readonly takes: readonly Take[];
    readonly stageMinutes: TimedRun['stageMinutes'];
    readonly lossCosts: LossCosts;
  },
): Promise<void> {
  await db.query(
    `insert into runs (id, studio_id, job_id, document, steps, workshop, takes, stage_minutes, loss_costs, wanted)
     values ($1, $2, $3, $4::jsonb, $5::jsonb, $6::jsonb, $7::jsonb, $8::jsonb, $9::jsonb, $10) on conflict (studio_id, id) do nothing`,
    [
      ...[run.id, studioId, run.jobId],
      ...[run.document, run.steps, run.workshop, run.takes, run.stageMinutes, run.lossCosts].map((part) =>
        JSON.stringify(part),
      ),
      wantedOf(run.document),
    ],
  );
}

export async function findRun(db: Db, studioId: string, id: string): Promise<Run | null> {
  const { rows } = await db.query<Row>(
    'select id, job_id, document, wanted, steps, workshop, takes, started_at, finished_at from runs where studio_id = $1 and id = $2',
    [studioId, id],
  );
  const [row] = rows;
  if (!row) return null;
  const events = await db.query<EventRow>(
    'select id, kind, cards, cause, step_id, undoes, at, detail from run_events where studio_id = $1 and run_id = $2 order by at, id',
    [studioId, id],
  );
  return {
    id: row.id,
    jobId: row.job_id,
    document: row.document,
    wanted: row.wanted,
    steps: row.steps,
    workshop: row.workshop,
    takes: row.takes,
    startedAt: row.started_at.toISOString(),
    finishedAt: row.finished_at?.toISOString() ?? null,
    events: events.rows.map(({ step_id, at, ...event }) => ({ ...event, stepId: step_id, at: at.toISOString() })),
  };
}

/** The same event sent twice counts once; its id is made where it happened. */
export async function addRunEvent(db: Db, studioId: string, runId: string, event: RunEvent): Promise<void> {
  await db.query(
    `insert into run_events (id, studio_id, run_id, kind, cards, cause, step_id, undoes, at, detail)
     values ($1, $2, $3, $4, $5, $6, $7, $8, coalesce($9::timestamptz, now()), $10::jsonb)
     on conflict (studio_id, id) do nothing`,
    [
      ...[event.id, studioId, runId, event.kind, event.cards, event.cause, event.stepId, event.undoes, event.at],
      event.detail ? JSON.stringify(event.detail) : null,
    ],
  );
  if (event.kind === 'finish')
    await db.query('update runs set finished_at = coalesce(finished_at, now()) where studio_id = $1 and id = $2', [
      studioId,
      runId,
    ]);
}

/** The newest finished runs, as far as they tell how long things take; those of before that was kept tell nothing. */
export async function findTimedRuns(db: Db, studioId: string, most: number): Promise<readonly TimedRun[]> {
  const { rows } = await db.query<{
    started: Date;
    minutes: TimedRun['stageMinutes'];
    wanted: number;
    steps: TimedRun['steps'];
    events: TimedRun['events'];
  }>(
    `select started_at as started, stage_minutes as minutes, wanted,
       (select jsonb_agg(jsonb_build_object('id', s->'id', 'kind', s->'kind')) from jsonb_array_elements(steps) s) as steps,
       coalesce((select jsonb_agg(jsonb_build_object('id', e.id, 'kind', e.kind, 'cards', e.cards, 'cause', e.cause,
         'stepId', e.step_id, 'undoes', e.undoes, 'at', e.at) order by e.at, e.id)
         from run_events e where e.studio_id = r.studio_id and e.run_id = r.id), '[]') as events
     from runs r where studio_id = $1 and finished_at is not null and stage_minutes is not null
     order by finished_at desc, id limit $2`,
    [studioId, most],
  );
  return rows.map(({ started, minutes, ...run }) => ({
    ...run,
    steps: run.steps ?? [],
    startedAt: started.toISOString(),
    stageMinutes: minutes,
  }));
}

/** Whether a run has ended and something counted went into its cards. */
export async function hasTaken(db: Db, studioId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    `select 1 from runs where studio_id = $1 and id = $2 and finished_at is not null
       and jsonb_array_length(coalesce(takes, document->'trimmings', '[]')) > 0`,
    [studioId, id],
  );
  return rowCount === 1;
}

/** An event that was taken back counts for nothing. */
export const STANDING = `not exists (select 1 from run_events u where u.studio_id = e.studio_id and u.run_id = e.run_id and u.undoes = e.id)`;

export async function benchByJob(db: Db, studioId: string): Promise<readonly JobBench[]> {
  const { rows } = await db.query<{
    job_id: string;
    good: string;
    spoiled: string;
    finished: string;
    open_run: string | null;
  }>(
    `select r.job_id,
       coalesce(sum(e.cards) filter (where e.kind = 'good'), 0) as good,
       coalesce(sum(e.cards) filter (where e.kind = 'spoiled'), 0) as spoiled,
       coalesce(sum(e.cards) filter (where e.kind = 'good' and r.finished_at is not null), 0) as finished,
       (select o.id from runs o where o.studio_id = r.studio_id and o.job_id = r.job_id and o.finished_at is null order by o.started_at desc limit 1) as open_run
     from runs r left join run_events e on e.studio_id = r.studio_id and e.run_id = r.id and ${STANDING}
     where r.studio_id = $1 group by r.studio_id, r.job_id`,
    [studioId],
  );
  return rows.map((row) => ({
    jobId: row.job_id,
    good: Number(row.good),
    spoiled: Number(row.spoiled),
    openRunId: row.open_run,
    finishedGood: Number(row.finished),
  }));
}

/** A run as a whole, moments to the microsecond. */
export interface WholeRun {
  readonly id: string;
  readonly jobId: string;
  readonly wanted: number;
  readonly startedAt: string;
  readonly finishedAt: string | null;
  readonly steps: unknown;
  readonly document: unknown;
  readonly workshop: unknown;
  readonly takes: unknown;
  readonly stageMinutes: unknown;
  readonly lossCosts: unknown;
  readonly events: readonly (Omit<RunEvent, 'at'> & { readonly at: string })[];
}

export const everyRun = (client: PoolClient, studioId: string): AsyncGenerator<WholeRun> =>
  everyRow(
    client,
    `select id, job_id as "jobId", wanted, ${exactly('started_at')} as "startedAt",
       ${exactly('finished_at')} as "finishedAt", steps, document, workshop, takes,
       stage_minutes as "stageMinutes", loss_costs as "lossCosts",
       coalesce((select jsonb_agg(jsonb_build_object('id', e.id, 'kind', e.kind, 'cards', e.cards, 'cause', e.cause,
         'stepId', e.step_id, 'undoes', e.undoes, 'at', ${exactly('e.at')}, 'detail', e.detail) order by e.at, e.id)
         from run_events e where e.studio_id = r.studio_id and e.run_id = r.id), '[]') as events
     from runs r where studio_id = $1 order by id`,
    [studioId],
  );

/** Adds a whole run; of one that is here, those presses that are not. @returns whether the run was not here */
export async function addWholeRun(db: Db, studioId: string, run: WholeRun): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into runs (id, studio_id, job_id, wanted, started_at, finished_at, steps, document, workshop, takes, stage_minutes, loss_costs)
     values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8::jsonb, $9::jsonb, $10::jsonb, $11::jsonb, $12::jsonb) on conflict (studio_id, id) do nothing`,
    [
      ...[run.id, studioId, run.jobId, run.wanted, run.startedAt, run.finishedAt],
      ...[JSON.stringify(run.steps), JSON.stringify(run.document)],
      // Of older runs nothing is known, which is not the same as a JSON null.
      ...[run.workshop, run.takes, run.stageMinutes, run.lossCosts].map((part) =>
        part === null ? null : JSON.stringify(part),
      ),
    ],
  );
  for (const event of run.events) await addRunEvent(db, studioId, run.id, event);
  return rowCount === 1;
}
