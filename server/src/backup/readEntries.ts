import type { Readable, Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { extract } from 'tar-stream';
import { MOST_BYTES } from '../pictures/readPicture.ts';
import { MOST_TYPEFACE_BYTES } from '../typefaces/readOwnTypeface.ts';
import { BackupRefused } from './types.ts';

export interface BackupEntry {
  readonly name: string;
  readonly mtime: Date;
  readonly bytes: Buffer;
}

/** Far more than any document of ours comes to. */
const MOST_JSON_BYTES = 16 * 1024 * 1024;

const mostOf = (name: string): number =>
  name.startsWith('pictures/') ? MOST_BYTES : name.startsWith('typefaces/') ? MOST_TYPEFACE_BYTES : MOST_JSON_BYTES;

/**
 * Entries of a backup one after the other, each as a whole.
 * @throws BackupRefused where it is no such archive, is damaged, or breaks off
 */
export async function* readEntries(from: Readable): AsyncGenerator<BackupEntry> {
  const archive = extract();
  const arrived = pipeline(from, createGunzip(), archive as unknown as Writable);
  // It is looked at below, and must not count as unhandled until then.
  arrived.catch((problem: Error) => archive.destroy(problem));
  try {
    for await (const entry of archive) {
      const { type, size = 0, mtime } = entry.header;
      const name = entry.header.name.replace(/^(\.\/)+/, '');
      if (type !== 'file') {
        entry.resume();
        continue;
      }
      if (size > mostOf(name))
        throw new BackupRefused(
          `This backup holds ${name}, which is larger than anything of a studio’s; nothing was changed.`,
        );
      const pieces: Buffer[] = [];
      for await (const piece of entry) pieces.push(piece as Buffer);
      yield { name, mtime: mtime ?? new Date(0), bytes: Buffer.concat(pieces) };
    }
    await arrived;
  } catch (problem) {
    throw sayDamaged(problem as NodeJS.ErrnoException);
  }
}

function sayDamaged(problem: NodeJS.ErrnoException): Error {
  if (problem instanceof BackupRefused) return problem;
  if (
    problem.code === 'Z_BUF_ERROR' ||
    problem.code === 'ERR_STREAM_PREMATURE_CLOSE' ||
    /unexpected end/i.test(problem.message)
  )
    return new BackupRefused(
      'This backup breaks off before its end, so nothing was changed; choose another, or copy it again.',
    );
  if (problem.code?.startsWith('Z_') || /tar header|invalid/i.test(problem.message))
    return new BackupRefused(
      'This file is no backup of a studio, or it was damaged, so nothing was changed; choose another.',
    );
  return problem;
}
