import type { PoolClient } from 'pg';
import type { OwnTypefaceFacts, OwnTypefaceRow } from '@zippy/core/contract';
import { ownTypefaceId } from '@zippy/core';
import type { ReadTypeface } from '../typefaces/readOwnTypeface.ts';
import { everyRow, exactly } from './everyRow.ts';
import type { Db } from './types.ts';

/**
 * The same content twice is one row, which keeps the name that it came with first.
 * @param createdAt when it came in, where that is known better than by now
 */
export async function addTypeface(
  db: Db,
  studioId: string,
  { ref, facts, bytes }: ReadTypeface,
  createdAt: Date | null = null,
): Promise<void> {
  await db.query(
    `insert into typefaces (studio_id, sha256, name, facts, bytes, created_at)
     values ($1, $2, $3, $4, $5, coalesce($6, now())) on conflict (studio_id, sha256) do nothing`,
    [studioId, ref.sha256, ref.name, facts, bytes, createdAt],
  );
}

export async function findTypeface(db: Db, studioId: string, sha256: string): Promise<Buffer | null> {
  const { rows } = await db.query<{ bytes: Buffer }>(
    'select bytes from typefaces where studio_id = $1 and sha256 = $2',
    [studioId, sha256],
  );
  return rows[0]?.bytes ?? null;
}

/** By name, each with the jobs on the wall that name it. */
export async function listTypefaces(db: Db, studioId: string): Promise<readonly OwnTypefaceRow[]> {
  const { rows } = await db.query<{ sha256: string; name: string; facts: OwnTypefaceFacts; jobs: string[] }>(
    `select t.sha256, t.name, t.facts, array(
       select j.document #>> '{brief,title}' from jobs j, jsonb_each(j.document -> 'typefaces') as named
       where j.studio_id = t.studio_id and j.deleted_at is null and named.value ->> 'sha256' = t.sha256
       order by 1
     ) as jobs
     from typefaces t where t.studio_id = $1 order by lower(t.name), t.sha256`,
    [studioId],
  );
  return rows.map(({ sha256, name, facts, jobs }) => ({ id: ownTypefaceId(sha256), name, sha256, ...facts, jobs }));
}

/** @returns whether it was there */
export async function dropTypeface(db: Db, studioId: string, sha256: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from typefaces where studio_id = $1 and sha256 = $2', [studioId, sha256]);
  return rowCount === 1;
}

export interface WholeTypeface {
  readonly sha256: string;
  readonly name: string;
  readonly bytes: Buffer;
  readonly createdAt: string;
}

export const everyTypeface = (client: PoolClient, studioId: string): AsyncGenerator<WholeTypeface> =>
  everyRow(
    client,
    `select sha256, name, bytes, ${exactly('created_at')} as "createdAt"
     from typefaces where studio_id = $1 order by sha256`,
    [studioId],
  );
