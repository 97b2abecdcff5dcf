import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import type { Pool } from 'pg';
import type { BackupsKept } from '@zippy/core/contract';
import { dayOf, folderOf, listBackups } from '../backup/datedBackup.ts';
import { REFUSED } from '../backup/types.ts';
import { fileStem } from '../exports/index.ts';
import { program } from '../root.ts';
import { findStudio } from '../tables/studios.ts';
import { studioOf } from '../studio.ts';
import { Refusal } from './refuse.ts';

/** @param url of the database: backups are written and read by processes of their own, beside the one that answers */
export function backupRoutes(pool: Pool, url: string): Router {
  const router = Router();
  const start = (studioId: string, name: string, args: readonly string[]) => {
    const { file, execArgv } = program(`server/src/backup/${name}`);
    return spawn(process.execPath, [...execArgv, file, ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, DATABASE_URL: url, ZIPPY_STUDIO: studioId },
    });
  };

  router.get('/', async (_request, response) => {
    const folder = folderOf(studioOf(response));
    response.json({ folder, kept: await listBackups(folder) } satisfies BackupsKept);
  });

  router.get('/now', async (_request, response) => {
    const studio = await findStudio(pool, studioOf(response));
    response.type('application/gzip').attachment(`${fileStem(studio?.name ?? 'studio')}-${dayOf(new Date())}.tar.gz`);
    const writer = start(studioOf(response), 'backupProcess.ts', []);
    // Whoever stops reading needs it no more.
    response.once('close', () => writer.kill('SIGTERM'));
    const failed = text(writer.stderr);
    const ended = new Promise<number | null>((done) => writer.once('exit', done));
    await pipeline(writer.stdout, response, { end: false }).catch(() => {
      // Whoever asked went away; the writer is told below and above.
    });
    if (response.destroyed) return;
    if ((await ended) === 0) return void response.end();
    // What was sent so far must not pass for a whole file.
    console.error((await failed).trim());
    response.destroy();
  });

  router.post('/restore', async (request, response) => {
    const { mode } = request.query;
    if (mode !== 'beside' && mode !== 'instead') throw new Refusal(400, 'mode wants beside or instead.', 'mode');
    const folder = folderOf(studioOf(response));
    await mkdir(folder, { recursive: true });
    const path = join(folder, `incoming-${randomUUID()}.part`);
    try {
      await pipeline(request, createWriteStream(path, { mode: 0o600 }));
      const reader = start(studioOf(response), 'restoreProcess.ts', [
        path,
        ...(mode === 'instead' ? ['--instead'] : []),
      ]);
      const [code, said, problem] = await Promise.all([
        new Promise<number | null>((done) => reader.once('exit', done)),
        text(reader.stdout),
        text(reader.stderr),
      ]);
      if (code === REFUSED) throw new Refusal(422, problem.trim(), 'file');
      if (code !== 0) throw new Error(problem.trim());
      response.json({ said: said.trim() });
    } finally {
      await rm(path, { force: true });
    }
  });

  return router;
}
