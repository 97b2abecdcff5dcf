import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { checkWorkshop } from '@zippy/core/job-file';
import { saveWorkshop } from '../tables/studios.ts';
import { STUDIO_ID } from '../tables/types.ts';
import { loadWorkshop } from '../workshop.ts';
import { accept, body, Refusal } from './refuse.ts';

const saveSchema = Joi.object({ version: Joi.number().integer().min(1).required(), workshop: Joi.object().required() });

export function workshopRoutes(pool: Pool): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const { value, version } = await loadWorkshop(pool, STUDIO_ID);
    response.json({ workshop: value, version });
  });

  router.put('/', express.json({ limit: '1mb' }), async (request, response) => {
    const { version, workshop } = body<{ version: number; workshop: Record<string, unknown> }>(
      saveSchema,
      request.body,
    );
    const { spoilLog: _counted, ...stored } = workshop;
    const saved = await saveWorkshop(pool, STUDIO_ID, accept(checkWorkshop(stored)), version);
    if (saved === null) {
      const theirs = await loadWorkshop(pool, STUDIO_ID);
      throw new Refusal(
        409,
        'The workshop was changed somewhere else in the meantime; look at it again and make your change once more.',
        null,
        {
          theirs: { workshop: theirs.value, version: theirs.version },
        },
      );
    }
    response.json({ version: saved });
  });

  return router;
}
