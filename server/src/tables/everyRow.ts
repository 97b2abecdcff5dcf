import type { PoolClient, QueryResultRow } from 'pg';

const AT_ONCE = 50;
/** Cursors that are open at once in a session need names of their own. */
let opened = 0;

/**
 * Rows one after the other, a few in memory at a time, however many there are. Other queries of the same client may go on
 * between them.
 * @param client within a transaction, which a cursor needs to live in
 * Source: PostgreSQL, SQL commands, DECLARE and FETCH
 */
export async function* everyRow<R extends QueryResultRow>(
  client: PoolClient,
  text: string,
  values: unknown[],
): AsyncGenerator<R> {
  opened += 1;
  const name = `every_row_${opened}`;
  await client.query(`declare ${name} no scroll cursor for ${text}`, values);
  for (;;) {
    const { rows } = await client.query<R>(`fetch ${AT_ONCE} from ${name}`);
    yield* rows;
    if (rows.length < AT_ONCE) break;
  }
  await client.query(`close ${name}`);
}

/** A moment to the microsecond, as the database has it; a Date would lose the last three places. */
export const exactly = (column: string): string =>
  `to_char(${column} at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`;
