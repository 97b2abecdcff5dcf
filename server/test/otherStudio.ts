import { randomUUID } from 'node:crypto';
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
      await pool.query(`drop database ${name} with (force)`);
    },
  };
}
