import type { PoolClient } from 'pg';
import { everyRow, exactly } from './everyRow.ts';
import type { Db } from './types.ts';

export const COUNTED_SHELVES = ['stocks', 'envelopes', 'trimmings'] as const;
export type CountedShelf = (typeof COUNTED_SHELVES)[number];
/**
 * It came with the thing, the maker counted anew, the thing was taken off the shelf with all there was of it, or a run’s
 * cards were made with it.
 */
export const MOVEMENT_CAUSES = ['opening', 'counted', 'away', 'made'] as const;
export type MovementCause = (typeof MOVEMENT_CAUSES)[number];

/** How many of a thing there are. */
export interface Count {
  readonly shelf: CountedShelf;
  readonly thingId: string;
  readonly count: number;
}

/** How many there are of everything that ever moved, whether it still stands on the shelf or not. */
export async function findCounts(db: Db, studioId: string): Promise<readonly Count[]> {
  const { rows } = await db.query<{ shelf: CountedShelf; thing_id: string; count: number }>(
    `select shelf, thing_id, sum(change)::integer as count from movements where studio_id = $1
     group by shelf, thing_id order by shelf, thing_id`,
    [studioId],
  );
  return rows.map(({ shelf, thing_id, count }) => ({ shelf, thingId: thing_id, count }));
}

/**
 * Writes the movements that lead from the counts in the books to those that are so now. What is not named is gone from the
 * shelf, and takes what there was of it along.
 */
export async function moveTo(db: Db, studioId: string, counts: readonly Count[]): Promise<void> {
  await db.query(
    `insert into movements (studio_id, id, shelf, thing_id, cause, change)
     select $1, gen_random_uuid(), shelf, thing_id,
       case when new.count is null then 'away' when coalesce(old.last, 'away') = 'away' then 'opening' else 'counted' end,
       coalesce(new.count, 0) - coalesce(old.count, 0)
     from (select t->>'shelf' as shelf, t->>'thingId' as thing_id, (t->>'count')::integer as count
           from jsonb_array_elements($2::jsonb) t) new
     full join (select shelf, thing_id, sum(change)::integer as count, (array_agg(cause order by at desc))[1] as last
                from movements where studio_id = $1 group by 1, 2) old
       using (shelf, thing_id)
     where coalesce(new.count, 0) <> coalesce(old.count, 0)`,
    [studioId, JSON.stringify(counts)],
  );
}

/**
 * Takes what a run has used off the shelf: once, however often it is said, and as it was said last. No more goes than
 * there is, since who counts is right; of what is not on the shelf nothing goes.
 * @param client within a transaction that holds the studio’s row
 */
export async function takeForRun(
  client: PoolClient,
  studioId: string,
  runId: string,
  used: readonly Count[],
): Promise<void> {
  await client.query(
    `insert into movements (studio_id, id, shelf, thing_id, cause, change, run_id)
     select $1, gen_random_uuid(), shelf, thing_id, 'made', -least(used, on_shelf), $2
     from (select t->>'shelf' as shelf, t->>'thingId' as thing_id, (t->>'count')::integer as used
           from jsonb_array_elements($3::jsonb) t) runs
     join lateral (select coalesce(sum(change), 0)::integer as on_shelf from movements m
                   where m.studio_id = $1 and m.shelf = runs.shelf and m.thing_id = runs.thing_id
                     and m.run_id is distinct from $2) books on true
     on conflict (studio_id, run_id, shelf, thing_id) where run_id is not null do update set change = excluded.change`,
    [studioId, runId, JSON.stringify(used)],
  );
}

/** A movement as a whole, the moment to the microsecond. */
export interface WholeMovement {
  readonly id: string;
  readonly shelf: CountedShelf;
  readonly thingId: string;
  readonly cause: MovementCause;
  readonly change: number;
  /** Of what a run has taken. */
  readonly runId: string | null;
  readonly at: string;
}

export const everyMovement = (client: PoolClient, studioId: string): AsyncGenerator<WholeMovement> =>
  everyRow(
    client,
    `select id, shelf, thing_id as "thingId", cause, change, run_id as "runId", ${exactly('at')} as at from movements
     where studio_id = $1 order by at, id`,
    [studioId],
  );

/** Adds whole movements; one that is here already counts once. */
export async function addWholeMovements(db: Db, studioId: string, movements: readonly WholeMovement[]): Promise<void> {
  await db.query(
    `insert into movements (studio_id, id, shelf, thing_id, cause, change, run_id, at)
     select $1, m.id, m.shelf, m."thingId", m.cause, m.change, m."runId", m.at
     from jsonb_to_recordset($2::jsonb) as m (id uuid, shelf text, "thingId" text, cause text, change integer, "runId" uuid, at timestamptz)
     on conflict (studio_id, id) do nothing`,
    [studioId, JSON.stringify(movements)],
  );
}
