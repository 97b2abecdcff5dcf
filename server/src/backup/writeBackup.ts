import { finished, pipeline } from 'node:stream/promises';
import type { Readable, Writable } from 'node:stream';
import { createGzip } from 'node:zlib';
import type { Pool, PoolClient } from 'pg';
import { pack, type Pack } from 'tar-stream';
import { everyJob, everyRevision } from '../tables/jobs.ts';
import { everyPicture, picturePieces } from '../tables/pictures.ts';
import { everyTypeface } from '../tables/typefaces.ts';
import { everyRun } from '../tables/runs.ts';
import { everyMovement, type WholeMovement } from '../tables/movements.ts';
import { inTransaction } from '../tables/types.ts';
import { findWorkshop } from '../workshop/loadWorkshop.ts';
import { FORMAT_VERSION, NAMES, STUDIO_FORMAT, type Counts } from './types.ts';

/** Pictures, which are most of it, are packed already. */
const GZIP = { level: 1 };

/**
 * Writes everything that a studio has as a tar archive, packed with gzip: plain JSON, and pictures as they are. All of it
 * is of one moment, whatever is saved meanwhile, and a few rows are in memory at a time. The same studio gives the same
 * bytes.
 * @throws Error when there is no studio, or `out` cannot take it all
 * Source: IEEE Std 1003.1 (pax), Interchange Format; RFC 1952
 */
export async function writeBackup(pool: Pool, studioId: string, out: Writable): Promise<Counts> {
  const archive = pack();
  const written = pipeline(archive as unknown as Readable, createGzip(GZIP), out);
  const filled = inTransaction(
    pool,
    (client) => fill(archive, client, studioId),
    'isolation level repeatable read read only',
  ).catch((problem: Error) => {
    archive.destroy(problem);
    throw problem;
  });
  const [counts, end] = await Promise.allSettled([filled, written]);
  // Where both failed, the first is the reason of the second only if the archive itself could not be filled.
  if (end.status === 'rejected') throw counts.status === 'rejected' ? counts.reason : end.reason;
  if (counts.status === 'rejected') throw counts.reason;
  return counts.value;
}

async function fill(archive: Pack, client: PoolClient, studioId: string): Promise<Counts> {
  const studio = await findWorkshop(client, studioId);
  if (!studio) throw new Error('There is no studio here yet; start the application once.');
  const counts = { pictures: 0, typefaces: 0, jobs: 0, revisions: 0, runs: 0, movements: 0 };
  const { version: workshopVersion, createdAt } = studio;
  await addJson(archive, NAMES.studio, createdAt, {
    ...{ format: STUDIO_FORMAT, formatVersion: FORMAT_VERSION },
    ...{ workshopVersion, createdAt },
  });
  await addJson(archive, NAMES.workshop, createdAt, studio.workshop);
  for await (const head of everyPicture(client, studioId)) {
    const name = NAMES.picture(head.sha256, head.mime);
    const entry = archive.entry({ name, size: head.sizeBytes, mtime: wholeSecond(head.createdAt) });
    await pipeline(picturePieces(client, studioId, head), entry as unknown as Writable);
    counts.pictures += 1;
  }
  for await (const { sha256, bytes, createdAt } of everyTypeface(client, studioId)) {
    await addBytes(archive, NAMES.typeface(sha256), createdAt, bytes);
    counts.typefaces += 1;
  }
  for await (const job of everyJob(client, studioId)) {
    await addJson(archive, NAMES.job(job.id), job.updatedAt, job);
    counts.jobs += 1;
  }
  for await (const { jobId, ...revision } of everyRevision(client, studioId)) {
    await addJson(archive, NAMES.revision(jobId, revision.version), revision.savedAt, revision);
    counts.revisions += 1;
  }
  for await (const run of everyRun(client, studioId)) {
    await addJson(archive, NAMES.run(run.id), run.startedAt, run);
    counts.runs += 1;
  }
  for await (const part of inParts(everyMovement(client, studioId))) {
    await addJson(archive, NAMES.movements(1 + counts.movements / MOVEMENTS_A_PART), part[0]!.at, part);
    counts.movements += part.length;
  }
  await addJson(archive, NAMES.end, createdAt, counts);
  archive.finalize();
  return counts;
}

/** Few enough to be held, many enough that a year of them is a handful of entries. */
const MOVEMENTS_A_PART = 500;

async function* inParts(movements: AsyncGenerator<WholeMovement>): AsyncGenerator<readonly WholeMovement[]> {
  let part: WholeMovement[] = [];
  for await (const movement of movements) {
    if (part.push(movement) < MOVEMENTS_A_PART) continue;
    yield part;
    part = [];
  }
  if (part.length > 0) yield part;
}

/** Archives know seconds. */
const wholeSecond = (moment: string): Date => new Date(Math.floor(Date.parse(moment) / 1000) * 1000);

async function addJson(archive: Pack, name: string, moment: string, value: unknown): Promise<void> {
  await addBytes(archive, name, moment, Buffer.from(`${JSON.stringify(value, null, 1)}\n`));
}

async function addBytes(archive: Pack, name: string, moment: string, bytes: Buffer): Promise<void> {
  const entry = archive.entry({ name, size: bytes.length, mtime: wholeSecond(moment) });
  entry.end(bytes);
  await finished(entry);
}
