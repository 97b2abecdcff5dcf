import { openPool, waitForDatabase } from '../database.ts';
import { studioInUse } from '../studio.ts';
import { backupTo } from './datedBackup.ts';
import { writeBackup } from './writeBackup.ts';

/** Writes a backup to the file that is named, or to standard output, in a process that answers no requests. */
const url = process.env.DATABASE_URL!;
const [path] = process.argv.slice(2);
try {
  await waitForDatabase(url);
  const pool = openPool(url);
  const studioId = process.env.ZIPPY_STUDIO ?? (await studioInUse(pool));
  if (path) {
    const { jobs, pictures, runs } = await backupTo(pool, studioId, path);
    console.log(`${path} holds the workshop, ${jobs} jobs, ${pictures} pictures and ${runs} runs.`);
  } else await writeBackup(pool, studioId, process.stdout);
  await pool.end();
} catch (problem) {
  console.error(`The backup could not be written: ${(problem as Error).message}`);
  process.exitCode = 1;
}
