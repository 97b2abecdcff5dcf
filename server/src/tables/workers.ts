import type { Db } from './types.ts';

/** A worker that has not been heard of for so long is dead, or as good as. */
export const SILENT_SECONDS = 20;

/** Says that a worker is at hand; those that died without a word are forgotten after a while. */
export async function beatWorker(db: Db, id: string): Promise<void> {
  await db.query('insert into workers (id) values ($1) on conflict (id) do update set beat_at = now()', [id]);
  await db.query("delete from workers where beat_at < now() - interval '1 hour'");
}

export async function removeWorker(db: Db, id: string): Promise<void> {
  await db.query('delete from workers where id = $1', [id]);
}

export async function countWorkers(db: Db): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    'select count(*)::int as count from workers where beat_at > now() - make_interval(secs => $1)',
    [SILENT_SECONDS],
  );
  return rows[0]!.count;
}
