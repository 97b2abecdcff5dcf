import { openPool } from './database.ts';
import { openQueue } from './queue.ts';
import { workClearing, workExports } from './workExports.ts';

/** The worker process: takes queued exports. Any number may run beside any number of web processes. */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set; start with “npm start”, which runs the worker too.');
const pool = openPool(url);
const boss = await openQueue(url);
await workExports(boss, pool);
await workClearing(boss, pool);
process.send?.('ready');

const stop = async (): Promise<void> => {
  await boss.stop({ graceful: true, timeout: 3000 }).catch(() => {});
  await pool.end().catch(() => {});
  process.exit(0);
};
process.once('SIGTERM', () => void stop());
process.once('SIGINT', () => void stop());
