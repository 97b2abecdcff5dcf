import type { Job } from '@zippy/core';
import type { Db } from './types.ts';

export interface JobRow {
  readonly id: string;
  readonly version: number;
  readonly document: Job;
  readonly updatedAt: string;
}

interface Row {
  id: string;
  version: number;
  document: Job;
  updated_at: Date;
}

const toJob = (row: Row): JobRow => ({
  id: row.id,
  version: row.version,
  document: row.document,
  updatedAt: row.updated_at.toISOString(),
});
const COLUMNS = 'id, version, document, updated_at';

export async function listJobs(db: Db, studioId: string): Promise<readonly JobRow[]> {
  const { rows } = await db.query<Row>(
    `select ${COLUMNS} from jobs where studio_id = $1 and deleted_at is null order by created_at, id`,
    [studioId],
  );
  return rows.map(toJob);
}

export async function findJob(db: Db, studioId: string, id: string): Promise<JobRow | null> {
  const { rows } = await db.query<Row>(
    `select ${COLUMNS} from jobs where studio_id = $1 and id = $2 and deleted_at is null`,
    [studioId, id],
  );
  return rows[0] ? toJob(rows[0]) : null;
}

/** Adding the same job twice is one job: a page that lost the answer may ask again. Null where it was put away since. */
export async function addJob(db: Db, studioId: string, id: string, document: Job): Promise<JobRow | null> {
  await db.query(
    `with added as (
       insert into jobs (id, studio_id, document) values ($1, $2, $3::jsonb) on conflict (id) do nothing returning id, version)
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

/** Jobs that were put away, the last first. */
export async function listPutAway(
  db: Db,
  studioId: string,
): Promise<readonly { readonly id: string; readonly title: string; readonly putAwayAt: string }[]> {
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
