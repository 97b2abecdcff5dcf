import { mkdir, open, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Pool } from 'pg';
import { migrate, openPool, waitForDatabase } from '../database.ts';
import { Readers } from '../readers/readers.ts';
import { enterStudio, findStudio } from '../tables/studios.ts';
import { studioToFill } from '../studio.ts';
import { backupTo, dayOf, folderOf, letOldGo } from './datedBackup.ts';
import { restoreBackup, type RestoreMode } from './restoreBackup.ts';
import { sayRestored } from './sayRestored.ts';
import { BackupRefused, REFUSED } from './types.ts';

/**
 * Brings the named backup back, in a process that answers no requests. It says what came of it in sentences, or on
 * standard error why it could not; then nothing was changed.
 */
const url = process.env.DATABASE_URL!;
const args = process.argv.slice(2);
const mode: RestoreMode = args.includes('--instead') ? 'instead' : 'beside';
const path = args.find((arg) => !arg.startsWith('-'))!;
const readers = new Readers();
try {
  const file = await open(path);
  await waitForDatabase(url);
  await migrate(url);
  const pool = openPool(url);
  const studioId = process.env.ZIPPY_STUDIO ?? (await studioToFill(pool));
  const before = mode === 'instead' && (await findStudio(pool, studioId)) ? await keepBefore(pool, studioId) : null;
  try {
    const restored = await restoreBackup(pool, studioId, file.createReadStream(), {
      mode,
      readers,
    });
    // Whoever brings a studio back means to work in it.
    if (!process.env.ZIPPY_STUDIO) await enterStudio(pool, studioId);
    console.log(sayRestored(restored), before ? `What was here before is in ${before}.` : '');
  } catch (problem) {
    // Nothing was changed, so there is no before.
    if (before) await rm(before, { force: true });
    throw problem;
  }
  if (before) await letOldGo(dirname(before));
  await pool.end();
  process.exit(0);
} catch (problem) {
  const said = sentenceFor(problem as NodeJS.ErrnoException);
  console.error(said ?? `The backup could not be brought back, and nothing was changed: ${(problem as Error).message}`);
  process.exit(said ? REFUSED : 1);
}

async function keepBefore(pool: Pool, studioId: string): Promise<string> {
  const now = new Date();
  const time = now.toTimeString().slice(0, 8).replaceAll(':', '');
  const kept = join(folderOf(studioId), `before-restore-${dayOf(now)}-${time}.tar.gz`);
  await mkdir(dirname(kept), { recursive: true });
  await backupTo(pool, studioId, kept);
  return kept;
}

/** For a fault of the file’s; null for one of ours. */
function sentenceFor(problem: NodeJS.ErrnoException): string | null {
  if (problem instanceof BackupRefused) return problem.message;
  if (problem.syscall !== 'open' && problem.code !== 'EISDIR') return null;
  return `${path} cannot be read (${problem.code}); name a backup, such as studio.tar.gz.`;
}
