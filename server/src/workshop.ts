import type { Workshop } from '@zippy/core';
import type { Db } from './tables/types.ts';
import { countSpoilLog } from './tables/runs.ts';
import { findStudio } from './tables/studios.ts';

/** The workshop as planning sees it: what is stored, and the spoil log counted from every run. */
export async function loadWorkshop(
  db: Db,
  studioId: string,
): Promise<{ readonly value: Workshop; readonly version: number }> {
  const studio = await findStudio(db, studioId);
  if (!studio) throw new Error('loadWorkshop: the studio has not been set up; start the application once');
  return { value: { ...studio.workshop, spoilLog: await countSpoilLog(db, studioId) }, version: studio.version };
}
