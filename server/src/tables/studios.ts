import type { StoredWorkshop } from '@zippy/core/job-file';
import type { Db } from './types.ts';

export interface StudioRow {
  readonly workshop: StoredWorkshop;
  readonly version: number;
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
