import type { Db } from './types.ts';

/** Tables of one shape, a row a thing; `of` names the columns that say whose it is, from the widest. */
export const THING_TABLES = {
  stocks: { of: [] },
  envelopes: { of: [] },
  trimmings: { of: [] },
  adhesives: { of: [] },
  trimmers: { of: [] },
  boards: { of: [] },
  tools: { of: [] },
  printers: { of: [] },
  feed_paths: { of: ['printer_id'] },
  calibrations: { of: ['printer_id', 'path_id'] },
} as const satisfies Readonly<Record<string, { readonly of: readonly string[] }>>;
export type ThingTable = keyof typeof THING_TABLES;
export const THING_NAMES = Object.keys(THING_TABLES) as readonly ThingTable[];

export interface Thing {
  /** Ids of what it belongs to, from the widest, and then its own. */
  readonly key: readonly string[];
  readonly facts: object;
}
export type Things = Readonly<Record<ThingTable, readonly Thing[]>>;

const keyColumns = (table: ThingTable): readonly string[] => [...THING_TABLES[table].of, 'id'];

/** All that a studio owns, each table in the order of its shelf. */
export async function findThings(db: Db, studioId: string): Promise<Things> {
  const columns = THING_NAMES.map(
    (table) =>
      `(select coalesce(jsonb_agg(jsonb_build_object('key', jsonb_build_array(${keyColumns(table).join(', ')}), 'facts', facts)
         order by place, ${keyColumns(table).join(', ')}), '[]') from ${table} where studio_id = $1) as ${table}`,
  );
  const { rows } = await db.query<Things>(`select ${columns.join(', ')}`, [studioId]);
  return rows[0]!;
}

/**
 * Puts `things` in the place of those in a table. A row is written only where it differs, and its version rises then.
 * @param things in the order of their shelf, no key twice; of a table that belongs to another, that one is saved first
 */
export async function saveThings(db: Db, studioId: string, table: ThingTable, things: readonly Thing[]): Promise<void> {
  const key = keyColumns(table);
  const sent = JSON.stringify(things.map((thing, place) => ({ ...thing, place })));
  const read = key.map((column, at) => `t->'key'->>${at} as ${column}`).join(', ');
  await db.query(
    `delete from ${table} where studio_id = $1
       and (${key.join(', ')}) not in (select ${key.map((_, at) => `t->'key'->>${at}`).join(', ')} from jsonb_array_elements($2::jsonb) t)`,
    [studioId, sent],
  );
  await db.query(
    `insert into ${table} as old (studio_id, ${key.join(', ')}, place, facts)
     select $1, ${read}, (t->>'place')::integer, t->'facts' from jsonb_array_elements($2::jsonb) t
     on conflict (studio_id, ${key.join(', ')}) do update set
       place = excluded.place, facts = excluded.facts,
       version = old.version + (old.facts is distinct from excluded.facts)::integer
     where (old.facts, old.place) is distinct from (excluded.facts, excluded.place)`,
    [studioId, sent],
  );
}
