import type { Job } from '@zippy/core';
import type { ExportRow, ExportState } from '@zippy/core/contract';
import type { ExportFile } from '../exports/types.ts';
import type { Db } from './types.ts';
import { SILENT_SECONDS } from './workers.ts';

export async function addExport(
  db: Db,
  studioId: string,
  request: {
    readonly id: string;
    readonly jobId: string;
    readonly document: Job;
    readonly what: string;
    readonly format: string;
  },
): Promise<void> {
  await db.query(
    'insert into exports (id, studio_id, job_id, document, what, format) values ($1, $2, $3, $4::jsonb, $5, $6)',
    [request.id, studioId, request.jobId, JSON.stringify(request.document), request.what, request.format],
  );
}

export async function findExport(db: Db, studioId: string, id: string): Promise<ExportRow | null> {
  const { rows } = await db.query<Omit<ExportRow, 'files'>>(
    'select id, what, format, state, done, total, message from exports where studio_id = $1 and id = $2',
    [studioId, id],
  );
  if (!rows[0]) return null;
  const files = await db.query<ExportRow['files'][number]>(
    'select number, name, mime, length(bytes) as size from export_files where studio_id = $1 and export_id = $2 order by number',
    [studioId, id],
  );
  return { ...rows[0], files: files.rows };
}

const SILENT = `state = 'working' and coalesce(beat_at, created_at) < now() - make_interval(secs => ${SILENT_SECONDS})`;

/** Takes work that nobody else has; null where it is done, or another worker is at it. */
export async function claimExport(
  db: Db,
  studioId: string,
  id: string,
): Promise<{ readonly document: Job; readonly what: string; readonly format: string } | null> {
  const { rows } = await db.query<{ document: Job; what: string; format: string }>(
    `update exports set state = 'working', done = 0, total = 1, message = null, beat_at = now(), attempts = attempts + 1
     where studio_id = $1 and id = $2 and (state in ('waiting', 'failed') or ${SILENT})
     returning document, what, format`,
    [studioId, id],
  );
  return rows[0] ?? null;
}

/** Says that work goes on. */
export async function beatExport(db: Db, studioId: string, id: string): Promise<void> {
  await db.query("update exports set beat_at = now() where studio_id = $1 and id = $2 and state = 'working'", [
    studioId,
    id,
  ]);
}

/** Gives up work that so many workers have died of. @returns how many */
export async function giveUpExports(db: Db, attempts: number, message: string): Promise<number> {
  const { rowCount } = await db.query(
    `update exports set state = 'failed', message = $2 where attempts >= $1 and ${SILENT}`,
    [attempts, message],
  );
  return rowCount ?? 0;
}

/** Work whose worker has gone silent, of every studio. */
export async function silentExports(
  db: Db,
): Promise<readonly { readonly studioId: string; readonly exportId: string }[]> {
  const { rows } = await db.query<{ studioId: string; exportId: string }>(
    `select studio_id as "studioId", id as "exportId" from exports where ${SILENT}`,
  );
  return rows;
}

/** Says how far work is, or how it ended. @returns false where nobody waits for it any more */
export async function noteExport(
  db: Db,
  studioId: string,
  id: string,
  note: {
    readonly state: ExportState & ('working' | 'done' | 'failed');
    readonly done?: number;
    readonly total?: number;
    readonly message?: string;
  },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update exports set state = $3, done = coalesce($4, done), total = coalesce($5, total), message = $6
     where studio_id = $1 and id = $2 and state = 'working'`,
    [studioId, id, note.state, note.done ?? null, note.total ?? null, note.message ?? null],
  );
  return rowCount === 1;
}

/** Work that nobody waits for any more. What is done or has failed stays so. */
export async function cancelExport(db: Db, studioId: string, id: string): Promise<void> {
  await db.query(
    "update exports set state = 'cancelled' where studio_id = $1 and id = $2 and state in ('waiting', 'working')",
    [studioId, id],
  );
}

export async function addExportFiles(
  db: Db,
  studioId: string,
  id: string,
  files: readonly ExportFile[],
): Promise<void> {
  for (const [number, file] of files.entries())
    await db.query(
      `insert into export_files (studio_id, export_id, number, name, mime, bytes) values ($1, $2, $3, $4, $5, $6)
       on conflict (studio_id, export_id, number) do update set name = $4, mime = $5, bytes = $6`,
      [studioId, id, number, file.name, file.mime, file.bytes],
    );
}

export async function findExportFile(db: Db, studioId: string, id: string, number: number): Promise<ExportFile | null> {
  const { rows } = await db.query<ExportFile>(
    'select name, mime, bytes from export_files where studio_id = $1 and export_id = $2 and number = $3',
    [studioId, id, number],
  );
  return rows[0] ?? null;
}

/**
 * Takes written files away once they are this old, for every studio: they were handed over, and can be written again.
 * @returns how many exports went
 */
export async function removeOldExports(db: Db, hours: number): Promise<number> {
  const { rowCount } = await db.query('delete from exports where created_at < now() - make_interval(hours => $1)', [
    hours,
  ]);
  return rowCount ?? 0;
}
