import type PgBoss from 'pg-boss';
import type { Pool } from 'pg';
import { backupFolder, dailyBackup, folderOf } from './backup/datedBackup.ts';
import { HOURLY_QUEUE, NIGHTLY_QUEUE } from './queue.ts';
import { removeOldExports } from './tables/exports.ts';
import { thinRevisions } from './tables/jobs.ts';
import { dropPictures } from './tables/pictures.ts';
import { studioIds } from './tables/studios.ts';

/** Written files are kept for a weekend, so that a page left open still finds them. */
const KEPT_HOURS = 72;
/** A browser may have kept a job for long that names a picture and was not sent yet. */
const UNNAMED_DAYS = 31;

/** Each day that the application runs has its backup; what is old and of no use any more goes. */
export async function keepHouse(boss: PgBoss, pool: Pool): Promise<void> {
  const works = [
    [HOURLY_QUEUE, hourly],
    [NIGHTLY_QUEUE, nightly],
  ] as const;
  for (const [queue, work] of works) {
    await boss.work(queue, { batchSize: 1, pollingIntervalSeconds: 30 }, () => work(pool));
    // A machine that is switched off at night has its turn when it is switched on.
    await boss.send(queue, {});
  }
}

/** @param folder for backups */
export async function hourly(pool: Pool, folder = backupFolder()): Promise<void> {
  await removeOldExports(pool, KEPT_HOURS);
  await backUpToday(pool, folder);
}

/** @param folder for backups */
export async function nightly(pool: Pool, folder = backupFolder()): Promise<void> {
  // What goes now is in a backup first.
  await backUpToday(pool, folder);
  await thinRevisions(pool);
  await dropPictures(pool, UNNAMED_DAYS);
}

async function backUpToday(pool: Pool, folder: string): Promise<void> {
  for (const studioId of await studioIds(pool)) {
    const own = folderOf(studioId, folder);
    try {
      await dailyBackup(pool, studioId, own, new Date());
    } catch (problem) {
      // The next hour tries again.
      console.error(`Today’s backup could not be written to ${own}: ${(problem as Error).message}`);
    }
  }
}
