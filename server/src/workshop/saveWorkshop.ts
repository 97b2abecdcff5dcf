import type { PoolClient } from 'pg';
import type { StoredWorkshop } from '@zippy/core/job-file';
import { moveTo } from '../tables/movements.ts';
import { addStudio, saveStudio } from '../tables/studios.ts';
import { saveThings, THING_NAMES } from '../tables/things.ts';
import { takeApart, type WorkshopRows } from './rows.ts';

/** Where the counts of a workshop that comes in are from: its own figures, or the movements that come after it. */
type Counts = 'itsOwn' | 'movements';

/** Opens a studio with a workshop. @returns whether there was no such studio yet */
export async function openStudio(
  client: PoolClient,
  studioId: string,
  workshop: StoredWorkshop,
  since?: { readonly version: number; readonly createdAt: string },
  countsFrom: Counts = 'itsOwn',
): Promise<boolean> {
  const rows = takeApart(workshop);
  if (!(await addStudio(client, studioId, rows.studio, since))) return false;
  await saveRows(client, studioId, rows, countsFrom);
  return true;
}

/**
 * Puts a workshop in the place of the one that is there, row by row: what is as it was is not written, and a count that
 * differs is a movement.
 * @param client within a transaction
 * @returns its new version, or null when somebody saved another in between
 */
export async function saveWorkshop(
  client: PoolClient,
  studioId: string,
  workshop: StoredWorkshop,
  expected: number,
  countsFrom: Counts = 'itsOwn',
): Promise<number | null> {
  const rows = takeApart(workshop);
  const version = await saveStudio(client, studioId, rows.studio, expected);
  if (version !== null) await saveRows(client, studioId, rows, countsFrom);
  return version;
}

async function saveRows(
  client: PoolClient,
  studioId: string,
  { things, counts }: WorkshopRows,
  countsFrom: Counts,
): Promise<void> {
  for (const table of THING_NAMES) await saveThings(client, studioId, table, things[table]);
  if (countsFrom === 'itsOwn') await moveTo(client, studioId, counts);
}
