import type { PictureRef } from '@zippy/core';
import type { ReadPicture } from '../pictures/readPicture.ts';
import type { Db } from './types.ts';

/** The same content twice is one row. */
export async function addPicture(db: Db, studioId: string, { ref, bytes, preview }: ReadPicture): Promise<void> {
  await db.query(
    `insert into pictures (studio_id, sha256, mime, width_px, height_px, bytes, preview_mime, preview)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (studio_id, sha256) do nothing`,
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

/** Which of these are not stored. */
export async function missingPictures(
  db: Db,
  studioId: string,
  sha256s: readonly string[],
): Promise<readonly string[]> {
  const { rows } = await db.query<{ sha256: string }>(
    `select wanted as sha256 from unnest($2::text[]) as wanted
     where not exists (select 1 from pictures where studio_id = $1 and sha256 = wanted)`,
    [studioId, sha256s],
  );
  return rows.map((row) => row.sha256);
}
