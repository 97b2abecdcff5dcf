import { makeApp } from './app.ts';
import { migrate, openPool, waitForDatabase } from './database.ts';
import { listen } from './listen.ts';
import { loadDemo } from './loadDemo.ts';
import { loopbackOnly } from './loopback.ts';
import { endWith } from './ending.ts';
import { openQueue } from './queue.ts';
import { root } from './root.ts';

/** Whoever starts us need not try again: what is said must be put right first. */
const MUST_BE_PUT_RIGHT = 2;
function refuse(sentence: string): never {
  console.error(sentence);
  process.exit(MUST_BE_PUT_RIGHT);
}

/** The web process: the page, the API, and nothing that takes long. */
const url = process.env.DATABASE_URL ?? refuse('DATABASE_URL is not set; “npm start” makes a database of its own.');
const port = Number(process.env.PORT ?? 5170);
const host = addressOf(process.env.HOST ?? '127.0.0.1');

function addressOf(asked: string): string {
  try {
    return loopbackOnly(asked);
  } catch (problem) {
    return refuse((problem as Error).message);
  }
}

await waitForDatabase(url);
await migrate(url);
const pool = openPool(url);
await loadDemo(pool);
const boss = await openQueue(url);
const app = makeApp({ pool, url, boss, webDir: root('web/dist') });
const server = await listen(app, port, host).catch((problem: NodeJS.ErrnoException) => {
  const taken = problem.code === 'EADDRINUSE';
  return refuse(taken ? `Port ${port} is taken; choose another with PORT=5180 npm start.` : problem.message);
});
const address = host.includes(':') ? `[${host}]` : host;
console.log(`Zippy Crease is at http://${address}:${port}/`);
process.send?.('ready');

endWith(async () => {
  server.close();
  server.closeAllConnections();
  await boss.stop({ graceful: false }).catch(() => {});
  await pool.end().catch(() => {});
});
