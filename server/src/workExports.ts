import { randomUUID } from 'node:crypto';
import type PgBoss from 'pg-boss';
import type { Pool } from 'pg';
import { planJob } from '@zippy/core';
import {
  canExport,
  exportFiles,
  ExportRefused,
  loadFonts,
  loadInkLattice,
  withOwn,
  type ExportFormat,
} from './exports/index.ts';
import { EXPORT_QUEUE, type ExportJob } from './queue.ts';
import { addExportFiles, beatExport, claimExport, giveUpExports, noteExport, silentExports } from './tables/exports.ts';
import { beatWorker, removeWorker } from './tables/workers.ts';
import { loadWorkshop } from './workshop/loadWorkshop.ts';
import { loadPlaced, PictureLost } from './placed.ts';
import { inTransaction } from './tables/types.ts';

/**
 * Takes export work from the queue until the queue is stopped.
 * @returns what says that this worker is at hand no more; to be called before the queue is stopped
 */
export async function workExports(boss: PgBoss, pool: Pool): Promise<() => Promise<void>> {
  await boss.work<ExportJob>(EXPORT_QUEUE, { batchSize: 1, pollingIntervalSeconds: 0.5 }, async (jobs) => {
    for (const job of jobs) await doExport(pool, job.data);
  });
  const me = randomUUID();
  const look = async (): Promise<void> => {
    await beatWorker(pool, me);
    await takeOver(boss, pool);
  };
  await look();
  const timer = setInterval(() => void look().catch(() => {}), LOOK_EVERY_MS);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await removeWorker(pool, me).catch(() => {});
  };
}

/** How often a worker says that it is at work, and looks for work of others that have gone silent. */
const BEAT_EVERY_MS = 4000;
const LOOK_EVERY_MS = 5000;
const MOST_ATTEMPTS = 3;

/** Queues work again whose worker has died; whoever comes to it first takes it. */
export async function takeOver(boss: PgBoss, pool: Pool): Promise<number> {
  await giveUpExports(
    pool,
    MOST_ATTEMPTS,
    'Three tries at this file came to no end; look for a drawing on the card that is far too complicated, and try again without it.',
  );
  const silent = await silentExports(pool);
  for (const work of silent) await boss.send(EXPORT_QUEUE, work satisfies ExportJob, { singletonKey: work.exportId });
  return silent.length;
}

/** The maker has said that the file is not wanted any more. */
class NobodyWaits extends Error {}

export async function doExport(pool: Pool, { studioId, exportId }: ExportJob): Promise<void> {
  const work = await claimExport(pool, studioId, exportId);
  if (!work || !canExport(work.what, work.format)) return;
  const beat = setInterval(() => void beatExport(pool, studioId, exportId).catch(() => {}), BEAT_EVERY_MS);
  try {
    const workshop = await loadWorkshop(pool, studioId);
    const { pictures, typefaces } = await loadPlaced(pool, studioId, work.document);
    const fonts = withOwn(await loadFonts(), typefaces);
    const date = new Date().toISOString().slice(0, 10);
    const plan = planJob(work.document, workshop.value, {
      typefaces: fonts.book,
      today: date,
      inks: await loadInkLattice(),
    });
    const files = await exportFiles(work.what, work.format as ExportFormat, {
      job: work.document,
      workshop: workshop.value,
      plan,
      fonts,
      pictures,
      date,
      onProgress: async (done, total) => {
        if (!(await noteExport(pool, studioId, exportId, { state: 'working', done, total }))) throw new NobodyWaits();
      },
    });
    await inTransaction(pool, async (client) => {
      if (!(await noteExport(client, studioId, exportId, { state: 'done' }))) throw new NobodyWaits();
      await addExportFiles(client, studioId, exportId, files);
    });
  } catch (problem) {
    if (problem instanceof NobodyWaits) return;
    const known = problem instanceof ExportRefused || problem instanceof PictureLost;
    await noteExport(pool, studioId, exportId, {
      state: 'failed',
      message: known
        ? problem.message
        : 'Writing the file failed here; try again, and if it fails again save the job as JSON and report it.',
    });
    if (!known) throw problem;
  } finally {
    clearInterval(beat);
  }
}
