import { migrate, openPool, waitForDatabase } from './database.ts';
import { endWith } from './ending.ts';
import { openQueue } from './queue.ts';
import { keepHouse } from './keepHouse.ts';
import { workExports } from './workExports.ts';

/** The worker process: takes queued exports. Any number may run beside any number of web processes. */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set; start with “npm start”, which runs the worker too.');
await waitForDatabase(url);
await migrate(url);
const pool = openPool(url);
const boss = await openQueue(url);
const leave = await workExports(boss, pool);
await keepHouse(boss, pool);
process.send?.('ready');

endWith(async () => {
  await leave();
  await boss.stop({ graceful: true, timeout: 3000 }).catch(() => {});
  await pool.end().catch(() => {});
});
