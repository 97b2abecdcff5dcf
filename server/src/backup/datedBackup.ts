import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Pool } from 'pg';
import type { KeptBackup } from '@zippy/core/contract';
import { findStudio } from '../tables/studios.ts';
import { root } from '../root.ts';
import { HOME_STUDIO_ID } from '../studio.ts';
import type { Counts } from './types.ts';
import { writeBackup } from './writeBackup.ts';

/** Where dated backups lie: beside the studio’s data, or where `ZIPPY_BACKUPS` says. */
export const backupFolder = (): string =>
  process.env.ZIPPY_BACKUPS ?? join(process.env.ZIPPY_DATA ?? root('.data'), 'backups');

/** Each studio’s backups lie in a folder of their own, and those of the first one where they always were. */
export const folderOf = (studioId: string, folder = backupFolder()): string =>
  studioId === HOME_STUDIO_ID ? folder : join(folder, studioId);

const DAY_MS = 86_400_000;

/** Of each kind so many are kept. */
const KEPT = [
  { pattern: /^studio-\d{4}-\d\d-\d\d\.tar\.gz$/, most: 7 },
  { pattern: /^before-restore-.*\.tar\.gz$/, most: 3 },
];
export const dailyName = (day: string): string => `studio-${day}.tar.gz`;

/** A day where the maker is, as ISO 8601 writes it. */
export function dayOf(moment: Date): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}`;
}

/** Backups in the folder, the newest first. */
export async function listBackups(folder: string): Promise<readonly KeptBackup[]> {
  const names = await readdir(folder).catch(() => [] as string[]);
  const found = names.filter((name) => KEPT.some(({ pattern }) => pattern.test(name)));
  const kept = await Promise.all(
    found.map(async (name) => {
      const { size, mtime } = await stat(join(folder, name));
      return { name, sizeBytes: size, at: mtime.toISOString() };
    }),
  );
  return kept.sort((a, b) => b.at.localeCompare(a.at));
}

/**
 * Writes a backup to a file that is there as a whole or not at all: what a full disk or a power cut left of it never
 * stands under its name, nor in the place of an older one.
 */
export async function backupTo(pool: Pool, studioId: string, path: string): Promise<Counts> {
  // Two that write at once, an hour's and a night's, do not meet.
  const part = `${path}.${randomUUID()}.part`;
  try {
    // On the disk, and not only on its way there, before it takes its name.
    const counts = await writeBackup(pool, studioId, createWriteStream(part, { mode: 0o600, flush: true }));
    await rename(part, path);
    return counts;
  } catch (problem) {
    await rm(part, { force: true });
    throw problem;
  }
}

/** Lets the oldest of each kind go, and what a power cut left half written. */
export async function letOldGo(folder: string): Promise<void> {
  const names = await readdir(folder);
  for (const one of names.filter((name) => name.endsWith('.part'))) {
    // Another that writes just now may have given it its name meanwhile.
    const found = await stat(join(folder, one)).catch(() => null);
    if (found && Date.now() - found.mtimeMs > DAY_MS) await rm(join(folder, one), { force: true });
  }
  for (const { pattern, most } of KEPT) {
    // Their names say when they were made.
    const newestFirst = names
      .filter((one) => pattern.test(one))
      .sort()
      .reverse();
    for (const one of newestFirst.slice(most)) await rm(join(folder, one), { force: true });
  }
}

/** The backup of a day, unless it is there or there is nothing to back up yet. @returns whether it was made now */
export async function dailyBackup(pool: Pool, studioId: string, folder: string, now: Date): Promise<boolean> {
  const name = dailyName(dayOf(now));
  if ((await listBackups(folder)).some((kept) => kept.name === name)) return false;
  if (!(await findStudio(pool, studioId))) return false;
  await mkdir(folder, { recursive: true });
  await backupTo(pool, studioId, join(folder, name));
  // Only now that there is a new one.
  await letOldGo(folder);
  return true;
}
