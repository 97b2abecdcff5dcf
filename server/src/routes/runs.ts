import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { completed, RUN_EVENT_KINDS, SPOIL_CAUSES, type RunEvent, type Workshop } from '@zippy/core';
import type { RunNow, RunsLogged, TimedRuns } from '@zippy/core/contract';
import type { Drawers } from '../drawings/drawers.ts';
import { loadPlacedTypefaces } from '../placed.ts';
import { runDetail } from '../runDetail.ts';
import { findLogged } from '../tables/benchLog.ts';
import { findJob } from '../tables/jobs.ts';
import { addRun, findRun, findTimedRuns } from '../tables/runs.ts';
import { pressAtBench } from '../workshop/pressAtBench.ts';
import { inTransaction } from '../tables/types.ts';
import { studioOf } from '../studio.ts';
import { loadWorkshop } from '../workshop/loadWorkshop.ts';
import { ID, inOurTime, isId } from '../fields.ts';
import { body, notFound, Refusal } from './refuse.ts';

const startSchema = Joi.object({ id: ID.required(), jobId: ID.required(), repeats: ID });
const eventSchema = Joi.object({
  id: ID.required(),
  kind: Joi.valid(...RUN_EVENT_KINDS).required(),
  cards: Joi.number().integer().min(1).max(10_000).default(1),
  cause: Joi.valid(...SPOIL_CAUSES, null).default(null),
  stepId: Joi.string().max(80).allow(null).default(null),
  undoes: ID.allow(null).default(null),
  at: Joi.string().isoDate().custom(inOurTime).allow(null).default(null),
  detail: runDetail,
});

/** As many of the newest runs are learnt from. */
const TIMED = 60;
/** As many of the newest are shown. */
const LOGGED = 150;

/** Pieces that were measured stand in the books; a copy with every run would outgrow them. */
const withoutPieces = ({ spoilLog: { pieces: _, ...spoilLog }, ...workshop }: Workshop): Workshop => ({
  ...workshop,
  spoilLog,
});

export function runRoutes(pool: Pool, drawers: Drawers): Router {
  const router = Router();
  const json = express.json({ limit: '100kb' });

  // Releasing a job to the bench freezes it, and what it was reckoned with: later edits do not move the steps under the
  // maker's hands, and later prices do not change what it cost.
  router.post('/', json, async (request, response) => {
    const { id, jobId, repeats } = body<{ id: string; jobId: string; repeats?: string }>(startSchema, request.body);
    const job = await findJob(pool, studioOf(response), jobId);
    if (!job) throw notFound('job');
    const before = repeats === undefined ? null : await findRun(pool, studioOf(response), repeats);
    if (repeats !== undefined && before?.jobId !== jobId) throw notFound('run');
    // As it was then, whatever was decided since.
    const document = before ? completed(before.document) : job.document;
    const { value: workshop } = await loadWorkshop(pool, studioOf(response));
    const typefaces = await loadPlacedTypefaces(pool, studioOf(response), document);
    const { stop, ...planned } = await drawers.draw({
      kind: 'steps',
      job: document,
      workshop,
      typefaces,
    });
    if (stop) throw new Refusal(409, `A snag stops the job: ${stop}. Settle it first.`, null);
    await addRun(pool, studioOf(response), { id, jobId, document, workshop: withoutPieces(workshop), ...planned });
    response.status(201).json(await findRun(pool, studioOf(response), id));
  });

  router.get('/timed', async (_request, response) => {
    response.json({ runs: await findTimedRuns(pool, studioOf(response), TIMED) } satisfies TimedRuns);
  });

  router.get('/log', async (_request, response) => {
    response.json({ runs: await findLogged(pool, studioOf(response), LOGGED) } satisfies RunsLogged);
  });

  router.get('/:id', async (request, response) => {
    if (!isId(request.params.id)) throw notFound('run');
    const run = await findRun(pool, studioOf(response), request.params.id);
    if (!run) throw notFound('run');
    response.json({ ...run, now: new Date().toISOString() } satisfies RunNow);
  });

  router.post('/:id/events', json, async (request, response) => {
    const { id } = request.params;
    if (!isId(id) || !(await findRun(pool, studioOf(response), id))) throw notFound('run');
    const event = body<RunEvent>(eventSchema, request.body);
    await inTransaction(pool, (client) => pressAtBench(client, studioOf(response), id, event));
    response.status(201).json({ id: event.id });
  });

  return router;
}
