import type { PictureRef } from '@zippy/core';
import type { PoolClient } from 'pg';
import type { ReadPicture } from '../pictures/readPicture.ts';
import { everyRow, exactly } from './everyRow.ts';
import type { Db } from './types.ts';

/** The same content twice is one row; it counts as named from now on. */
export async function addPicture(db: Db, studioId: string, { ref, bytes, preview }: ReadPicture): Promise<void> {
  await db.query(
    `insert into pictures (studio_id, sha256, mime, width_px, height_px, bytes, preview_mime, preview)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (studio_id, sha256) do update set named_at = now()`,
    [studioId, ref.sha256, ref.mime, ref.widthPx, ref.heightPx, bytes, preview.mime, preview.bytes],
  );
}

export interface PictureRow {
  readonly mime: PictureRef['mime'];
  readonly bytes: Buffer;
}

export async function findPicture(db: Db, studioId: string, sha256: string): Promise<PictureRow | null> {
  const { rows } = await db.query<PictureRow>('select mime, bytes from pictures where studio_id = $1 and sha256 = $2', [
    studioId,
    sha256,
  ]);
  return rows[0] ?? null;
}

export async function findPreview(
  db: Db,
  studioId: string,
  sha256: string,
): Promise<{ readonly mime: string; readonly bytes: Buffer } | null> {
  const { rows } = await db.query<{ mime: string; bytes: Buffer }>(
    'select preview_mime as mime, preview as bytes from pictures where studio_id = $1 and sha256 = $2',
    [studioId, sha256],
  );
  return rows[0] ?? null;
}

/** Which of these are not stored. The others are named from now on, so that none goes while it is saved where. */
export async function missingPictures(
  db: Db,
  studioId: string,
  sha256s: readonly string[],
): Promise<readonly string[]> {
  if (sha256s.length === 0) return [];
  await db.query(
    `update pictures set named_at = now()
     where studio_id = $1 and sha256 = any ($2) and named_at < now() - interval '1 day'`,
    [studioId, sha256s],
  );
  const { rows } = await db.query<{ sha256: string }>(
    `select wanted as sha256 from unnest($2::text[]) as wanted
     where not exists (select 1 from pictures where studio_id = $1 and sha256 = wanted)`,
    [studioId, sha256s],
  );
  return rows.map((row) => row.sha256);
}

/** What there is to say of a picture beside its bytes. */
export interface PictureHead {
  readonly sha256: string;
  readonly mime: PictureRef['mime'];
  readonly sizeBytes: number;
  readonly createdAt: string;
}

export const everyPicture = (client: PoolClient, studioId: string): AsyncGenerator<PictureHead> =>
  everyRow(
    client,
    `select sha256, mime, length(bytes) as "sizeBytes", ${exactly('created_at')} as "createdAt"
     from pictures where studio_id = $1 order by sha256`,
    [studioId],
  );

const PIECE_BYTES = 1024 * 1024;

/** A picture's bytes in pieces, so that a large one is never in memory as a whole. */
export async function* picturePieces(
  db: Db,
  studioId: string,
  { sha256, sizeBytes }: Pick<PictureHead, 'sha256' | 'sizeBytes'>,
): AsyncGenerator<Buffer> {
  for (let from = 0; from < sizeBytes; from += PIECE_BYTES) {
    const { rows } = await db.query<{ piece: Buffer }>(
      'select substring(bytes from $3 for $4) as piece from pictures where studio_id = $1 and sha256 = $2',
      [studioId, sha256, from + 1, PIECE_BYTES],
    );
    yield rows[0]!.piece;
  }
}

/** When a picture came in, where that is known better than by now. */
export async function datePicture(db: Db, studioId: string, sha256: string, createdAt: Date): Promise<void> {
  await db.query('update pictures set created_at = $3 where studio_id = $1 and sha256 = $2', [
    ...[studioId, sha256],
    createdAt,
  ]);
}

/** Every place that keeps a document with pictures in it. */
const DOCUMENTS = ['jobs', 'job_revisions', 'runs', 'exports'];

/**
 * Lets pictures go, for every studio, that no job, revision, run or export has named for so long.
 * @returns how many went
 */
export async function dropPictures(db: Db, days: number): Promise<number> {
  const named = DOCUMENTS.map(
    (table) => `select studio_id, picture.value ->> 'sha256' as sha256
      from ${table}, jsonb_each(document -> 'pictures') as picture`,
  ).join(' union ');
  await db.query(
    `update pictures p set named_at = now() from (${named}) n where p.studio_id = n.studio_id and p.sha256 = n.sha256`,
  );
  // Whoever saves a job that names one just now has said so in its row, which is looked at again here.
  const { rowCount } = await db.query('delete from pictures where named_at < now() - make_interval(days => $1)', [
    days,
  ]);
  return rowCount ?? 0;
}
