import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type pg from 'pg';
import { migrate, openPool } from '../src/database.ts';

/** Another database on the same server, migrated and without a studio, and the way to take it away. */
export async function otherDatabase(
  pool: pg.Pool,
): Promise<{ readonly pool: pg.Pool; readonly url: string; readonly drop: () => Promise<void> }> {
  const name = `other_${randomUUID().slice(0, 8)}`;
  await pool.query(`create database ${name}`);
  const url = new URL(process.env.DATABASE_URL!);
  url.pathname = `/${name}`;
  await migrate(url.href);
  const other = openPool(url.href);
  return {
    pool: other,
    url: url.href,
    drop: async () => {
      await other.end();
      // Whoever migrates says goodbye and does not wait for it; cut off in between, its connection would break the test.
      for (let tries = 0; tries < 200; tries += 1) {
        const { rowCount } = await pool.query('select from pg_stat_activity where datname = $1', [name]);
        if (rowCount === 0) break;
        await pause(25);
      }
      await pool.query(`drop database ${name} with (force)`);
    },
  };
}
