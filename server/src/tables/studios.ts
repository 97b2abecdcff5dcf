import type { StudioDoor } from '@zippy/core/contract';
import type { StoredWorkshop } from '@zippy/core/job-file';
import { exactly } from './everyRow.ts';
import { THING_NAMES } from './things.ts';
import type { Db } from './types.ts';

/** What a studio says of itself, and what its work costs; all else that it owns is a row a thing. */
export interface StudioSays {
  readonly name: string;
  readonly settings: Pick<StoredWorkshop, 'currency' | 'region' | 'unit' | 'papers' | 'keepOffcutMm' | 'post'>;
  readonly rates: Pick<StoredWorkshop, 'hourlyMinor' | 'pace'>;
}

export interface StudioRow extends StudioSays {
  /** Rises by one with every save of anything in the workshop. */
  readonly version: number;
  /** To the microsecond. */
  readonly createdAt: string;
}

/** Every studio there is, the oldest first. */
export async function studioIds(db: Db): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>('select id from studios order by created_at, id');
  return rows.map(({ id }) => id);
}

/** Every studio there is, the one that pages open first; those that nobody entered last. */
export async function listDoors(db: Db): Promise<readonly StudioDoor[]> {
  const { rows } = await db.query<StudioDoor>(
    `select id, name, is_demo as "isDemo", entered_at is not null as entered
     from studios order by entered_at desc nulls last, created_at, id`,
  );
  return rows;
}

export async function hasStudio(db: Db, studioId: string): Promise<boolean> {
  const { rowCount } = await db.query('select 1 from studios where id = $1', [studioId]);
  return rowCount === 1;
}

/** Makes a studio the one that pages open. @returns whether there is such a studio */
export async function enterStudio(db: Db, studioId: string): Promise<boolean> {
  const { rowCount } = await db.query('update studios set entered_at = clock_timestamp() where id = $1', [studioId]);
  return rowCount === 1;
}

/** Says that a studio is there to be looked round in. */
export async function markDemo(db: Db, studioId: string): Promise<void> {
  await db.query('update studios set is_demo = true where id = $1', [studioId]);
}

export async function findStudio(db: Db, studioId: string): Promise<StudioRow | null> {
  const { rows } = await db.query<StudioRow>(
    `select s.name, s.settings, r.facts as rates, s.workshop_version as version, ${exactly('s.created_at')} as "createdAt"
     from studios s join rates r on r.studio_id = s.id where s.id = $1`,
    [studioId],
  );
  return rows[0] ?? null;
}

/** @returns whether there was no such studio yet */
export async function addStudio(
  db: Db,
  studioId: string,
  { name, settings, rates }: StudioSays,
  since: { readonly version: number; readonly createdAt: string | null } = { version: 1, createdAt: null },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into studios (id, name, settings, workshop_version, created_at)
     values ($1, $2, $3::jsonb, $4, coalesce($5::timestamptz, now())) on conflict (id) do nothing`,
    [studioId, name, JSON.stringify(settings), since.version, since.createdAt],
  );
  if (rowCount !== 1) return false;
  await db.query('insert into rates (studio_id, facts) values ($1, $2::jsonb)', [studioId, JSON.stringify(rates)]);
  return true;
}

/** Null when somebody saved another version in between; else no other save gets in before this transaction ends. */
export async function saveStudio(
  db: Db,
  studioId: string,
  { name, settings, rates }: StudioSays,
  expected: number,
): Promise<number | null> {
  const { rows } = await db.query<{ workshop_version: number }>(
    `update studios set settings = $3::jsonb, name = $4, workshop_version = workshop_version + 1
     where id = $1 and workshop_version = $2 returning workshop_version`,
    [studioId, expected, JSON.stringify(settings), name],
  );
  if (!rows[0]) return null;
  await db.query(
    'update rates set facts = $2::jsonb, version = version + 1 where studio_id = $1 and facts is distinct from $2::jsonb',
    [studioId, JSON.stringify(rates)],
  );
  return rows[0].workshop_version;
}

/** Lets nobody else save the workshop before this transaction ends, and pages know that theirs is of before. */
export async function overtakeStudio(db: Db, studioId: string): Promise<void> {
  await db.query('update studios set workshop_version = workshop_version + 1 where id = $1', [studioId]);
}

/** Says since when a studio stands, and takes care that its version is above both. */
export async function dateStudio(
  db: Db,
  studioId: string,
  { version, createdAt }: { readonly version: number; readonly createdAt: string },
): Promise<void> {
  await db.query(
    'update studios set workshop_version = greatest(workshop_version, $2), created_at = $3 where id = $1',
    [studioId, version, createdAt],
  );
}

/** Takes away all that a studio has but its pictures, which are told by their content and go when nothing names them. */
export async function emptyStudio(db: Db, studioId: string): Promise<void> {
  for (const table of ['exports', 'run_events', 'runs', 'job_revisions', 'jobs', 'movements', ...THING_NAMES])
    await db.query(`delete from ${table} where studio_id = $1`, [studioId]);
}
