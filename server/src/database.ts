import { setTimeout as pause } from 'node:timers/promises';
import { runner } from 'node-pg-migrate';
import pg from 'pg';
import { root } from './root.ts';

export const openPool = (url: string): pg.Pool => {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  // A server that goes away breaks idle connections; the pool makes new ones, so this is only worth a line.
  pool.on('error', (problem) => console.error(`Database connection lost: ${problem.message}`));
  return pool;
};

/** How often a server that is starting, or starting again, is asked whether it lets us in, and how long between. */
const TRIES = 120;
const BETWEEN_MS = 250;

/** Waits until the database lets us in. @throws its own error when it does not, or refuses us */
export async function waitForDatabase(url: string): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
    // One that breaks off after it was let in is found by whoever uses it.
    client.on('error', () => {});
    try {
      await client.connect();
      return await client.end();
    } catch (problem) {
      const { code = '' } = problem as { code?: string };
      if (tries === TRIES || !/^(57P03|ECONN)/.test(code)) throw problem;
      await pause(BETWEEN_MS);
    }
  }
}

/** Our own number among PostgreSQL’s advisory locks. */
const SET_UP_LOCK = 7_214_001;

/** Does what sets a database up while no other process of ours does, however many start at once. */
export async function setUpAlone<T>(url: string, work: () => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  client.on('error', () => {});
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [SET_UP_LOCK]);
    return await work();
  } finally {
    // With its session the lock goes.
    await client.end();
  }
}

/** Brings the schema up to date; each numbered file runs once, in a transaction. */
export const migrate = (url: string): Promise<void> =>
  setUpAlone(url, async () => {
    await runner({
      databaseUrl: url,
      dir: root('server/src/migrations'),
      migrationsTable: 'migrations',
      direction: 'up',
      singleTransaction: true,
      log: () => {},
    });
  });
