import type { StoredWorkshop } from '@zippy/core/job-file';
import { exactly } from './everyRow.ts';
import type { Db } from './types.ts';

export interface StudioRow {
  readonly workshop: StoredWorkshop;
  readonly version: number;
}

/** Every studio there is, the oldest first. */
export async function studioIds(db: Db): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>('select id from studios order by created_at, id');
  return rows.map(({ id }) => id);
}

export async function findStudio(db: Db, studioId: string): Promise<StudioRow | null> {
  const { rows } = await db.query<{ workshop: StoredWorkshop; workshop_version: number }>(
    'select workshop, workshop_version from studios where id = $1',
    [studioId],
  );
  const [row] = rows;
  return row ? { workshop: row.workshop, version: row.workshop_version } : null;
}

export async function addStudio(db: Db, studioId: string, workshop: StoredWorkshop): Promise<boolean> {
  const { rowCount } = await db.query(
    'insert into studios (id, name, workshop) values ($1, $2, $3::jsonb) on conflict (id) do nothing',
    [studioId, workshop.studioName, JSON.stringify(workshop)],
  );
  return rowCount === 1;
}

/** Null when somebody saved another version in between. */
export async function saveWorkshop(
  db: Db,
  studioId: string,
  workshop: StoredWorkshop,
  expected: number,
): Promise<number | null> {
  const { rows } = await db.query<{ workshop_version: number }>(
    `update studios set workshop = $3::jsonb, name = $4, workshop_version = workshop_version + 1
     where id = $1 and workshop_version = $2 returning workshop_version`,
    [studioId, expected, JSON.stringify(workshop), workshop.studioName],
  );
  return rows[0]?.workshop_version ?? null;
}

/** A studio’s row as a whole, the moment to the microsecond. */
export interface WholeStudio {
  readonly workshop: StoredWorkshop;
  readonly version: number;
  readonly createdAt: string;
}

export async function findWholeStudio(db: Db, studioId: string): Promise<WholeStudio | null> {
  const { rows } = await db.query<WholeStudio>(
    `select workshop, workshop_version as version, ${exactly('created_at')} as "createdAt" from studios where id = $1`,
    [studioId],
  );
  return rows[0] ?? null;
}

export async function addWholeStudio(db: Db, studioId: string, studio: WholeStudio): Promise<void> {
  await db.query(
    'insert into studios (id, name, workshop, workshop_version, created_at) values ($1, $2, $3::jsonb, $4, $5)',
    [studioId, studio.workshop.studioName, JSON.stringify(studio.workshop), studio.version, studio.createdAt],
  );
}

/** Takes away all that a studio has but its pictures, which are told by their content and go when nothing names them. */
export async function emptyStudio(db: Db, studioId: string): Promise<void> {
  for (const table of ['exports', 'run_events', 'runs', 'job_revisions', 'jobs'])
    await db.query(`delete from ${table} where studio_id = $1`, [studioId]);
}

/** Puts a workshop in the place of the one that is there, whatever its version. */
export async function replaceWorkshop(db: Db, studioId: string, studio: WholeStudio): Promise<void> {
  await db.query(
    `update studios set workshop = $2::jsonb, name = $3, workshop_version = greatest(workshop_version + 1, $4), created_at = $5
     where id = $1`,
    [studioId, JSON.stringify(studio.workshop), studio.workshop.studioName, studio.version, studio.createdAt],
  );
}
