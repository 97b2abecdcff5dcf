import type { HoldsThings, Job } from '@zippy/core';
import type { PoolClient } from 'pg';
import type { JobPutAway, StoredJob } from '@zippy/core/contract';
import { everyRow, exactly } from './everyRow.ts';
import type { Db } from './types.ts';

interface Row {
  id: string;
  version: number;
  document: Job;
  updated_at: Date;
}

const toJob = (row: Row): StoredJob => ({
  id: row.id,
  version: row.version,
  document: row.document,
  updatedAt: row.updated_at.toISOString(),
});
const COLUMNS = 'id, version, document, updated_at';

export async function listJobs(db: Db, studioId: string): Promise<readonly StoredJob[]> {
  const { rows } = await db.query<Row>(
    `select ${COLUMNS} from jobs where studio_id = $1 and deleted_at is null order by created_at, id`,
    [studioId],
  );
  return rows.map(toJob);
}

export async function findJob(db: Db, studioId: string, id: string): Promise<StoredJob | null> {
  const { rows } = await db.query<Row>(
    `select ${COLUMNS} from jobs where studio_id = $1 and id = $2 and deleted_at is null`,
    [studioId, id],
  );
  return rows[0] ? toJob(rows[0]) : null;
}

/** Adding the same job twice is one job: a page that lost the answer may ask again. Null where it was put away since. */
export async function addJob(db: Db, studioId: string, id: string, document: Job): Promise<StoredJob | null> {
  await db.query(
    `with added as (
       insert into jobs (id, studio_id, document) values ($1, $2, $3::jsonb) on conflict (studio_id, id) do nothing returning id, version)
     insert into job_revisions (studio_id, job_id, version, document) select $2, id, version, $3::jsonb from added`,
    [id, studioId, JSON.stringify(document)],
  );
  return findJob(db, studioId, id);
}

/** Saves when the version is still the expected one and keeps the revision; otherwise null. */
export async function saveJob(
  db: Db,
  studioId: string,
  id: string,
  document: Job,
  expected: number,
): Promise<number | null> {
  const { rows } = await db.query<{ version: number }>(
    `with saved as (
       update jobs set document = $4::jsonb, version = version + 1, updated_at = now()
       where studio_id = $1 and id = $2 and version = $3 and deleted_at is null returning id, version),
     kept as (
       insert into job_revisions (studio_id, job_id, version, document) select $1, id, version, $4::jsonb from saved)
     select version from saved`,
    [studioId, id, expected, JSON.stringify(document)],
  );
  return rows[0]?.version ?? null;
}

export async function removeJob(db: Db, studioId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'update jobs set deleted_at = now() where studio_id = $1 and id = $2 and deleted_at is null',
    [studioId, id],
  );
  return rowCount === 1;
}

/** What every job on the wall names of the workshop, without its art. */
export async function listHoldings(
  db: Db,
  studioId: string,
): Promise<readonly { readonly id: string; readonly title: string; readonly holds: HoldsThings }[]> {
  const { rows } = await db.query<{ id: string; title: string; holds: HoldsThings }>(
    `select id, document #>> '{brief,title}' as title, jsonb_build_object(
       'brief', jsonb_build_object('envelope', document #> '{brief,envelope}'),
       'size', jsonb_build_object('layers', coalesce(document #> '{size,layers}', '[]'::jsonb)),
       'stock', document -> 'stock', 'cut', document -> 'cut', 'crease', document -> 'crease',
       'envelope', document -> 'envelope') as holds
     from jobs where studio_id = $1 and deleted_at is null order by created_at, id`,
    [studioId],
  );
  return rows;
}

/** Jobs that were put away, the last first. */
export async function listPutAway(db: Db, studioId: string): Promise<readonly JobPutAway[]> {
  const { rows } = await db.query<{ id: string; title: string; deleted_at: Date }>(
    `select id, document #>> '{brief,title}' as title, deleted_at from jobs
     where studio_id = $1 and deleted_at is not null order by deleted_at desc, id`,
    [studioId],
  );
  return rows.map(({ id, title, deleted_at }) => ({ id, title, putAwayAt: deleted_at.toISOString() }));
}

/** Brings a job back that was put away; one that was not is left as it is. */
export async function restoreJob(db: Db, studioId: string, id: string): Promise<void> {
  await db.query('update jobs set deleted_at = null where studio_id = $1 and id = $2', [studioId, id]);
}

/** A whole row, moments to the microsecond. */
export interface WholeJob {
  readonly id: string;
  readonly version: number;
  readonly createdAt: string;
  readonly updatedAt: string;
  readonly putAwayAt: string | null;
  readonly document: Job;
}

/** Every job, also those that were put away. */
export const everyJob = (client: PoolClient, studioId: string): AsyncGenerator<WholeJob> =>
  everyRow(
    client,
    `select id, version, ${exactly('created_at')} as "createdAt", ${exactly('updated_at')} as "updatedAt",
       ${exactly('deleted_at')} as "putAwayAt", document
     from jobs where studio_id = $1 order by id`,
    [studioId],
  );

/** Adds a whole row. @returns whether it did; false where that id is taken */
export async function addWholeJob(db: Db, studioId: string, job: WholeJob): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into jobs (id, studio_id, version, created_at, updated_at, deleted_at, document)
     values ($1, $2, $3, $4, $5, $6, $7::jsonb) on conflict (studio_id, id) do nothing`,
    [...[job.id, studioId, job.version, job.createdAt, job.updatedAt, job.putAwayAt], JSON.stringify(job.document)],
  );
  return rowCount === 1;
}

/** Whether the job of this id says just this, put away or not. */
export async function saysJob(db: Db, studioId: string, id: string, document: Job): Promise<boolean> {
  const { rowCount } = await db.query('select from jobs where studio_id = $1 and id = $2 and document = $3::jsonb', [
    ...[studioId, id],
    JSON.stringify(document),
  ]);
  return rowCount === 1;
}

/** Whether some job says just this, whatever its id. */
export async function hasJob(db: Db, studioId: string, document: Job): Promise<boolean> {
  const { rowCount } = await db.query('select from jobs where studio_id = $1 and document = $2::jsonb limit 1', [
    studioId,
    JSON.stringify(document),
  ]);
  return rowCount === 1;
}

/** One revision of a job. */
export interface Revision {
  readonly jobId: string;
  readonly version: number;
  readonly savedAt: string;
  readonly document: unknown;
}

export const everyRevision = (client: PoolClient, studioId: string): AsyncGenerator<Revision> =>
  everyRow(
    client,
    `select job_id as "jobId", version, ${exactly('saved_at')} as "savedAt", document
     from job_revisions where studio_id = $1 order by job_id, version`,
    [studioId],
  );

export async function addRevision(db: Db, studioId: string, revision: Revision): Promise<void> {
  await db.query(
    `insert into job_revisions (studio_id, job_id, version, saved_at, document) values ($1, $2, $3, $4, $5::jsonb)
     on conflict (studio_id, job_id, version) do nothing`,
    [...[studioId, revision.jobId, revision.version, revision.savedAt], JSON.stringify(revision.document)],
  );
}

/**
 * Thins revisions by age, for every studio: all of the last week stay, then the last of each day for three months, then
 * the last of each week. A job's first and its newest stay in any case.
 * @returns how many went
 */
export async function thinRevisions(db: Db): Promise<number> {
  const { rowCount } = await db.query(
    `with aged as (
       select studio_id, job_id, version,
         case when saved_at > now() - interval '7 days' then null
              when saved_at > now() - interval '90 days' then date_trunc('day', saved_at at time zone 'utc')
              else date_trunc('week', saved_at at time zone 'utc') end as span,
         saved_at > now() - interval '90 days' as by_day,
         min(version) over (partition by studio_id, job_id) as first, max(version) over (partition by studio_id, job_id) as newest
       from job_revisions),
     ranked as (
       select *, row_number() over (partition by studio_id, job_id, by_day, span order by version desc) as place from aged)
     delete from job_revisions r using ranked
     where r.studio_id = ranked.studio_id and r.job_id = ranked.job_id and r.version = ranked.version
       and span is not null and place > 1 and r.version <> first and r.version <> newest`,
  );
  return rowCount ?? 0;
}
