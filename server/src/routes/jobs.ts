import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { PIXEL_DPI, ELSEWHERE_SHOWS, pixelFault, type Job } from '@zippy/core';
import type { JobsOnTheWall, StoredJob } from '@zippy/core/contract';
import { checkJob, readJobFile } from '@zippy/core/job-file';
import type { Drawers } from '../drawings/drawers.ts';
import type { Readers } from '../readers/readers.ts';
import { keepJobFile, writeJobFile } from '../jobFiles.ts';
import { loadPlaced } from '../placed.ts';
import { addJob, findJob, listJobs, listPutAway, removeJob, restoreJob, saveJob } from '../tables/jobs.ts';
import { missingPictures } from '../tables/pictures.ts';
import { benchByJob } from '../tables/runs.ts';
import { studioOf } from '../studio.ts';
import { loadWorkshop } from '../workshop/loadWorkshop.ts';
import { ID, isId, VERSION } from '../fields.ts';
import { jobFileBody } from './jobFileBody.ts';
import { accept, body, notFound, Refusal } from './refuse.ts';

const newJobSchema = Joi.object({ id: ID.required(), document: Joi.object().required() });
const saveSchema = Joi.object({ version: VERSION.required(), document: Joi.object().required() });

export const jobId = (value: unknown): string => {
  if (!isId(value)) throw notFound('job');
  return value;
};

/** Pictures a job names must be here before it is saved, or it could never be printed. */
async function checkPictures(pool: Pool, studioId: string, job: Job): Promise<void> {
  const byHash = new Map(Object.entries(job.pictures).map(([id, ref]) => [ref.sha256, id]));
  const missing = await missingPictures(pool, studioId, [...byHash.keys()]);
  if (missing.length > 0) {
    const field = `pictures.${byHash.get(missing[0]!)}`;
    throw new Refusal(422, `${field} names a picture that is not stored; upload it first.`, field);
  }
}

/** @throws Refusal for the id of a job that was put away, which is brought back and not written over */
async function added(pool: Pool, studioId: string, id: string, job: Job): Promise<StoredJob> {
  const row = await addJob(pool, studioId, id, job);
  if (!row)
    throw new Refusal(409, 'id belongs to a job that was put away; bring that one back, or use a new id.', 'id');
  return row;
}

// eslint-disable-next-line max-lines-per-function -- a route after the other
export function jobRoutes(pool: Pool, readers: Readers, drawers: Drawers): Router {
  const router = Router();
  const json = express.json({ limit: '2mb' });

  router.get('/', async (_request, response) => {
    const [jobs, bench, putAway] = await Promise.all([
      listJobs(pool, studioOf(response)),
      benchByJob(pool, studioOf(response)),
      listPutAway(pool, studioOf(response)),
    ]);
    response.json({ jobs, bench, putAway } satisfies JobsOnTheWall);
  });

  router.post('/', json, async (request, response) => {
    const { id, document } = body<{ id: string; document: unknown }>(newJobSchema, request.body);
    const job = accept(checkJob(document));
    await checkPictures(pool, studioOf(response), job);
    response.status(201).json(await added(pool, studioOf(response), id, job));
  });

  // A whole job file, pictures, typefaces and all.
  router.post('/file', jobFileBody, async (request, response) => {
    const { id, file } = body<{ id: string; file: unknown }>(
      Joi.object({ id: ID.required(), file: Joi.any().required() }),
      request.body,
    );
    const { value: workshop } = await loadWorkshop(pool, studioOf(response));
    const kept = await keepJobFile(pool, studioOf(response), readers, accept(readJobFile(file, workshop)));
    const job = accept(checkJob(kept));
    await checkPictures(pool, studioOf(response), job);
    response.status(201).json(await added(pool, studioOf(response), id, job));
  });

  router.get('/:id', async (request, response) => {
    const job = await findJob(pool, studioOf(response), jobId(request.params.id));
    if (!job) throw notFound('job');
    const bench = (await benchByJob(pool, studioOf(response))).find((b) => b.jobId === job.id) ?? null;
    response.json({ ...job, bench });
  });

  router.put('/:id', json, async (request, response) => {
    const id = jobId(request.params.id);
    const { version, document } = body<{ version: number; document: unknown }>(saveSchema, request.body);
    const job = accept(checkJob(document));
    await checkPictures(pool, studioOf(response), job);
    const saved = await saveJob(pool, studioOf(response), id, job, version);
    if (saved !== null) return void response.json({ version: saved });
    const theirs = await findJob(pool, studioOf(response), id);
    if (!theirs) throw notFound('job');
    throw new Refusal(
      409,
      'This job was changed somewhere else in the meantime; both copies are kept, choose which to go on with.',
      null,
      { theirs },
    );
  });

  router.delete('/:id', async (request, response) => {
    if (!(await removeJob(pool, studioOf(response), jobId(request.params.id)))) throw notFound('job');
    response.status(204).end();
  });

  router.post('/:id/back', async (request, response) => {
    const id = jobId(request.params.id);
    await restoreJob(pool, studioOf(response), id);
    const job = await findJob(pool, studioOf(response), id);
    if (!job) throw notFound('job');
    response.json(job);
  });

  // One face in exactly the pixels that a print house asks for.
  router.get('/:id/faces/:face.png', async (request, response) => {
    const row = await findJob(pool, studioOf(response), jobId(request.params.id));
    if (!row) throw notFound('job');
    const [widthPx, heightPx, dpi] = ['width', 'height', 'dpi'].map((field) => Number(request.query[field])) as [
      number,
      number,
      number,
    ];
    const wrong = pixelFault({ widthPx, heightPx, dpi });
    if (wrong) throw new Refusal(400, `${wrong.field} ${wrong.why}.`, wrong.field);
    const { value: workshop } = await loadWorkshop(pool, studioOf(response));
    const placed = await loadPlaced(pool, studioOf(response), row.document);
    const { name, bytes } = await drawers.draw({
      ...{ kind: 'face', job: row.document, workshop, ...placed },
      ...{ faceId: request.params.face, pixels: { widthPx, heightPx, dpi } },
      plate: request.query.plate === 'white' ? 'white' : 'art',
    });
    response.attachment(name).type('image/png').send(Buffer.from(bytes));
  });

  // The open card and its faces in exact pixels, for drawing on in another program.
  router.get('/:id/pixels.zip', async (request, response) => {
    const row = await findJob(pool, studioOf(response), jobId(request.params.id));
    if (!row) throw notFound('job');
    const [dpi, shows] = [Number(request.query.dpi), ELSEWHERE_SHOWS.find((one) => one === request.query.shows)];
    const { least, most } = PIXEL_DPI;
    if (!(dpi >= least && dpi <= most))
      throw new Refusal(400, `dpi wants ${least} to ${most} dots to the inch; got ${dpi}.`, 'dpi');
    if (!shows) throw new Refusal(400, `shows wants one of ${ELSEWHERE_SHOWS.join(', ')}.`, 'shows');
    const { value: workshop } = await loadWorkshop(pool, studioOf(response));
    const placed = await loadPlaced(pool, studioOf(response), row.document);
    const { name, bytes } = await drawers.draw({ kind: 'pixels', job: row.document, workshop, ...placed, dpi, shows });
    response.attachment(name).type('application/zip').send(Buffer.from(bytes));
  });

  // The open format, with all that it shows inside, so that it opens anywhere.
  router.get('/:id/file', async (request, response) => {
    const row = await findJob(pool, studioOf(response), jobId(request.params.id));
    if (!row) throw notFound('job');
    const file = await writeJobFile(pool, studioOf(response), row.document);
    response.attachment('job.json').json(file);
  });

  return router;
}
