import { fileURLToPath } from 'node:url';
import { runner } from 'node-pg-migrate';
import pg from 'pg';

export const openPool = (url: string): pg.Pool => {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  // A server that goes away breaks idle connections; the pool makes new ones, so this is only worth a line.
  pool.on('error', (problem) => console.error(`Database connection lost: ${problem.message}`));
  return pool;
};

/** Brings the schema up to date; each numbered file runs once, in a transaction. */
export async function migrate(url: string): Promise<void> {
  await runner({
    databaseUrl: url,
    dir: fileURLToPath(new URL('./migrations', import.meta.url)),
    migrationsTable: 'migrations',
    direction: 'up',
    singleTransaction: true,
    log: () => {},
  });
}
