import { fileURLToPath } from 'node:url';
import { makeApp } from './app.ts';
import { migrate, openPool } from './database.ts';
import { loadDemo } from './loadDemo.ts';
import { loopbackOnly } from './loopback.ts';
import { openQueue } from './queue.ts';

/** The web process: the page, the API, and nothing that takes long. */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set; start with “npm start”, which makes a database of its own.');
const host = loopbackOnly(process.env.HOST ?? '127.0.0.1');
const port = Number(process.env.PORT ?? 5170);

await migrate(url);
const pool = openPool(url);
await loadDemo(pool);
const boss = await openQueue(url);
const app = makeApp({ pool, boss, webDir: fileURLToPath(new URL('../../web/dist', import.meta.url)) });
const server = app.listen(port, host, (problem?: Error) => {
  if (problem) {
    const taken = (problem as NodeJS.ErrnoException).code === 'EADDRINUSE';
    console.error(taken ? `Port ${port} is taken; choose another with PORT=5180 npm start.` : problem.message);
    process.exit(1);
  }
  const address = host.includes(':') ? `[${host}]` : host;
  console.log(`Zippy Crease is at http://${address}:${port}/`);
  process.send?.('ready');
});

const stop = async (): Promise<void> => {
  server.close();
  server.closeAllConnections();
  await boss.stop({ graceful: false }).catch(() => {});
  await pool.end().catch(() => {});
  process.exit(0);
};
process.once('SIGTERM', () => void stop());
process.once('SIGINT', () => void stop());
