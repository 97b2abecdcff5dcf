import type { CountedShelf, Movement, MovementCause, Taken, ThingRef } from '@zippy/core';
import type { PoolClient } from 'pg';
import { everyRow, exactly } from './everyRow.ts';
import type { Db } from './types.ts';

/** How many of a thing there are. */
export interface Count extends ThingRef {
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
  taken: readonly Taken[],
): Promise<void> {
  await client.query(
    `insert into movements (studio_id, id, shelf, thing_id, cause, change, run_id)
     select $1, gen_random_uuid(), shelf, thing_id, cause, -gone, $2
     from (select t->>'shelf' as shelf, t->>'thingId' as thing_id, (t->>'made')::integer as made, (t->>'spoiled')::integer as spoiled
           from jsonb_array_elements($3::jsonb) t) runs
     join lateral (select greatest(0, coalesce(sum(change), 0))::integer as on_shelf from movements m
                   where m.studio_id = $1 and m.shelf = runs.shelf and m.thing_id = runs.thing_id
                     and m.run_id is distinct from $2) books on true
     join lateral (values ('made', least(made, on_shelf)), ('spoiled', least(spoiled, on_shelf - least(made, on_shelf))))
       as causes (cause, gone) on true
     where gone > 0 or exists (select 1 from movements m where m.studio_id = $1 and m.run_id = $2 and m.shelf = runs.shelf
                                 and m.thing_id = runs.thing_id and m.cause = causes.cause)
     on conflict (studio_id, run_id, shelf, thing_id, cause) where run_id is not null do update set change = excluded.change`,
    [studioId, runId, JSON.stringify(taken)],
  );
}

/** How many there are of one thing, by the books. */
export async function countOf(db: Db, studioId: string, { shelf, thingId }: ThingRef): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    `select coalesce(sum(change), 0)::integer as count from movements where studio_id = $1 and shelf = $2 and thing_id = $3`,
    [studioId, shelf, thingId],
  );
  return rows[0]!.count;
}

export async function hasMovement(db: Db, studioId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('select 1 from movements where studio_id = $1 and id = $2', [studioId, id]);
  return rowCount === 1;
}

/** Every movement of a studio, the newest first. */
export async function findMovements(db: Db, studioId: string): Promise<readonly Movement[]> {
  const { rows } = await db.query<
    Omit<Movement, 'at' | 'priceMinor'> & { readonly at: Date; readonly priceMinor: string | null }
  >(
    `select id, shelf, thing_id as "thingId", cause, change, at, price_minor as "priceMinor", lot, note, run_id as "runId"
     from movements where studio_id = $1 and change <> 0 or studio_id = $1 and cause = 'counted' order by at desc, id desc`,
    [studioId],
  );
  return rows.map(({ at, priceMinor, ...row }) => ({
    ...row,
    at: at.toISOString(),
    // The driver hands 64 bits over as text.
    priceMinor: priceMinor === null ? null : Number(priceMinor),
  }));
}

/** Writes one movement; one whose id is here already counts once. */
export async function addMovement(
  db: Db,
  studioId: string,
  {
    id,
    shelf,
    thingId,
    cause,
    change,
    priceMinor,
    lot,
    note,
    at,
  }: Omit<Movement, 'runId' | 'at'> & { readonly at: string | null },
): Promise<void> {
  await db.query(
    `insert into movements (studio_id, id, shelf, thing_id, cause, change, price_minor, lot, note, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, coalesce($10::timestamptz, now())) on conflict (studio_id, id) do nothing`,
    [studioId, id, shelf, thingId, cause, change, priceMinor, lot, note, at],
  );
}

/** A movement as a whole, the moment to the microsecond. */
export interface WholeMovement {
  readonly id: string;
  readonly shelf: CountedShelf;
  readonly thingId: string;
  readonly cause: MovementCause;
  readonly change: number;
  readonly priceMinor: number | null;
  readonly lot: string | null;
  readonly note: string | null;
  /** Of what a run has taken. */
  readonly runId: string | null;
  readonly at: string;
}

export const everyMovement = (client: PoolClient, studioId: string): AsyncGenerator<WholeMovement> =>
  everyRow(
    client,
    `select id, shelf, thing_id as "thingId", cause, change, price_minor::float8 as "priceMinor", lot, note, run_id as "runId",
       ${exactly('at')} as at from movements
     where studio_id = $1 order by at, id`,
    [studioId],
  );

/** Adds whole movements; one that is here already counts once. */
export async function addWholeMovements(db: Db, studioId: string, movements: readonly WholeMovement[]): Promise<void> {
  await db.query(
    `insert into movements (studio_id, id, shelf, thing_id, cause, change, price_minor, lot, note, run_id, at)
     select $1, m.id, m.shelf, m."thingId", m.cause, m.change, m."priceMinor", m.lot, m.note, m."runId", m.at
     from jsonb_to_recordset($2::jsonb) as m (id uuid, shelf text, "thingId" text, cause text, change integer,
       "priceMinor" bigint, lot text, note text, "runId" uuid, at timestamptz)
     on conflict (studio_id, id) do nothing`,
    [studioId, JSON.stringify(movements)],
  );
}
