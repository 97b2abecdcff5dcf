import type { Workshop } from '@zippy/core';
import type { StoredWorkshop } from '@zippy/core/job-file';
import { findCounts } from '../tables/movements.ts';
import { findBenchLog } from '../tables/benchLog.ts';
import { findStudio } from '../tables/studios.ts';
import { findThings } from '../tables/things.ts';
import type { Db } from '../tables/types.ts';
import { putTogether } from './rows.ts';

export interface WholeStudio {
  readonly workshop: StoredWorkshop;
  readonly version: number;
  /** To the microsecond. */
  readonly createdAt: string;
}

/** A studio’s workshop put together from its rows, all of one version, or null where there is no such studio. */
export async function findWorkshop(db: Db, studioId: string): Promise<WholeStudio | null> {
  let studio = await findStudio(db, studioId);
  while (studio) {
    const [things, counts] = [await findThings(db, studioId), await findCounts(db, studioId)];
    const since = await findStudio(db, studioId);
    const { version, createdAt } = studio;
    if (since?.version === version) return { workshop: putTogether({ studio, things, counts }), version, createdAt };
    // Saved in between: what was read may be of both.
    studio = since;
  }
  return null;
}

/** The workshop as planning sees it: what is stored, and what every run has told. */
export async function loadWorkshop(
  db: Db,
  studioId: string,
): Promise<{ readonly value: Workshop; readonly version: number }> {
  const studio = await findWorkshop(db, studioId);
  if (!studio) throw new Error('loadWorkshop: the studio has not been set up; start the application once');
  return { value: { ...studio.workshop, spoilLog: await findBenchLog(db, studioId) }, version: studio.version };
}
