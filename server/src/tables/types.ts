import type { Pool, PoolClient } from 'pg';

/** Callers own the transaction: a pool for one query, a client within one. */
export type Db = Pool | PoolClient;

/** Runs `work` in one transaction, of the usual kind or of the one that SQL's words after BEGIN ask for. */
export async function inTransaction<T>(
  pool: Pool,
  work: (client: PoolClient) => Promise<T>,
  kind: '' | 'isolation level repeatable read read only' = '',
): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query(`begin ${kind}`);
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (problem) {
    await client.query('rollback').catch(() => {});
    throw problem;
  } finally {
    client.release();
  }
}
