import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import type { StudioDoors } from '@zippy/core/contract';
import { checkWorkshop } from '@zippy/core/job-file';
import { ID } from '../fields.ts';
import { enterStudio, listDoors } from '../tables/studios.ts';
import { inTransaction } from '../tables/types.ts';
import { openStudio } from '../workshop/saveWorkshop.ts';
import { accept, body, notFound, Refusal } from './refuse.ts';

const newStudioSchema = Joi.object({ id: ID.required(), workshop: Joi.object().required() });

/** Which studios there are, and the way into each. */
export function studioRoutes(pool: Pool): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ studios: await listDoors(pool) } satisfies StudioDoors);
  });

  // Set up, and entered at once.
  router.post('/', express.json({ limit: '1mb' }), async (request, response) => {
    const { id, workshop } = body<{ id: string; workshop: object }>(newStudioSchema, request.body);
    const checked = accept(checkWorkshop(workshop));
    const isNew = await inTransaction(
      pool,
      async (client) => (await openStudio(client, id, checked)) && enterStudio(client, id),
    );
    if (!isNew) throw new Refusal(409, 'id belongs to a studio that is here already; use a new id.', 'id');
    response.status(201).json({ id });
  });

  router.post('/:id/enter', async (request, response) => {
    const { id } = request.params;
    if (ID.validate(id).error || !(await enterStudio(pool, id))) throw notFound('studio');
    response.status(204).end();
  });

  return router;
}
