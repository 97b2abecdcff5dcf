import Cursor from 'pg-cursor';
import type { PoolClient, QueryResultRow } from 'pg';

const AT_ONCE = 50;

/** Rows one after the other, a few in memory at a time, however many there are. */
export async function* everyRow<R extends QueryResultRow>(
  client: PoolClient,
  text: string,
  values: unknown[],
): AsyncGenerator<R> {
  const cursor = client.query(new Cursor<R>(text, values));
  try {
    for (let rows = await cursor.read(AT_ONCE); rows.length > 0; rows = await cursor.read(AT_ONCE)) yield* rows;
  } finally {
    await cursor.close();
  }
}

/** A moment to the microsecond, as the database has it; a Date would lose the last three places. */
export const exactly = (column: string): string =>
  `to_char(${column} at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`;
