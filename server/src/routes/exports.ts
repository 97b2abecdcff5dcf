import { randomUUID } from 'node:crypto';
import express, { Router } from 'express';
import Joi from 'joi';
import type PgBoss from 'pg-boss';
import type { Pool } from 'pg';
import { canExport, EXPORTS, type ExportRow } from '@zippy/core/contract';
import { EXPORT_QUEUE, type ExportJob } from '../queue.ts';
import { addExport, cancelExport, findExport, findExportFile } from '../tables/exports.ts';
import { findJob } from '../tables/jobs.ts';
import { countWorkers } from '../tables/workers.ts';
import { inTransaction } from '../tables/types.ts';
import { studioOf } from '../studio.ts';
import { ID, isId } from '../fields.ts';
import { body, notFound, Refusal } from './refuse.ts';

/** Far more than any piece of work comes to. */
const MOST_FILES = 1_000_000;

const askSchema = Joi.object({
  jobId: ID.required(),
  what: Joi.string().required(),
  format: Joi.string().required(),
});

export function exportRoutes(pool: Pool, boss: PgBoss): Router {
  const router = Router();

  router.post('/', express.json({ limit: '10kb' }), async (request, response) => {
    const { jobId, what, format } = body<{ jobId: string; what: string; format: string }>(askSchema, request.body);
    if (!canExport(what, format)) {
      const formats = Object.hasOwn(EXPORTS, what)
        ? (EXPORTS[what as keyof typeof EXPORTS] as readonly string[])
        : undefined;
      throw new Refusal(
        400,
        formats
          ? `format wants one of ${formats.join(', ')} for ${what}; got ${format}.`
          : `what wants one of ${Object.keys(EXPORTS).join(', ')}; got ${what}.`,
        formats ? 'format' : 'what',
      );
    }
    const job = await findJob(pool, studioOf(response), jobId);
    if (!job) throw notFound('job');
    const id = randomUUID();
    // The row and the queue’s job are there together or not at all.
    await inTransaction(pool, async (client) => {
      await addExport(client, studioOf(response), { id, jobId, document: job.document, what, format });
      const db = { executeSql: (text: string, values: unknown[]) => client.query(text, values) };
      await boss.send(EXPORT_QUEUE, { studioId: studioOf(response), exportId: id } satisfies ExportJob, { db });
    });
    response.status(202).json(await findExport(pool, studioOf(response), id));
  });

  router.get('/:id', async (request, response) => {
    if (!isId(request.params.id)) throw notFound('export');
    const found = await findExport(pool, studioOf(response), request.params.id);
    if (!found) throw notFound('export');
    const waitsInVain = found.state === 'waiting' && (await countWorkers(pool)) === 0;
    response.json({ ...found, waitsInVain } satisfies ExportRow);
  });

  // Asked twice, or too late, it changes nothing.
  router.delete('/:id', async (request, response) => {
    if (!isId(request.params.id) || !(await findExport(pool, studioOf(response), request.params.id)))
      throw notFound('export');
    await cancelExport(pool, studioOf(response), request.params.id);
    response.status(204).end();
  });

  router.get('/:id/files/:number', async (request, response) => {
    const number = Number(request.params.number);
    if (!isId(request.params.id) || !(Number.isInteger(number) && number >= 0 && number <= MOST_FILES))
      throw notFound('file');
    const file = await findExportFile(pool, studioOf(response), request.params.id, number);
    if (!file) throw notFound('file');
    response.type(file.mime).set('Content-Disposition', `attachment; filename="${file.name}"`).send(file.bytes);
  });

  return router;
}
