import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { COUNTED_SHELVES } from '@zippy/core';
import { WRITTEN_CAUSES, type ShelfBooks, type WrittenMovement } from '@zippy/core/contract';
import { ID, inOurTime } from '../fields.ts';
import { studioOf } from '../studio.ts';
import { addMovement, countOf, findMovements, hasMovement } from '../tables/movements.ts';
import { overtakeStudio } from '../tables/studios.ts';
import { inTransaction } from '../tables/types.ts';
import { loadWorkshop } from '../workshop/loadWorkshop.ts';
import { body, Refusal } from './refuse.ts';

/** Of one thing at once, either way. */
const MOST = 1_000_000;
const words = (letters: number): Joi.StringSchema => Joi.string().trim().max(letters).allow(null).default(null);
const movementSchema = Joi.object({
  id: ID.required(),
  shelf: Joi.valid(...COUNTED_SHELVES).required(),
  thingId: Joi.string().max(80).required(),
  cause: Joi.valid(...WRITTEN_CAUSES).required(),
  change: Joi.number()
    .integer()
    .required()
    .when('cause', { not: 'other', then: Joi.number().min(0).max(MOST), otherwise: Joi.number().min(-MOST).max(MOST) }),
  priceMinor: Joi.number().integer().min(0).max(1_000_000_000).allow(null).default(null),
  lot: words(80),
  note: words(300),
  at: Joi.string().isoDate().custom(inOurTime).allow(null).default(null),
});

export function shelfRoutes(pool: Pool): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ movements: await findMovements(pool, studioOf(response)) } satisfies ShelfBooks);
  });

  // A count is said, and not its difference: what a run takes at the same moment is in it or comes after.
  router.post('/movements', express.json({ limit: '20kb' }), async (request, response) => {
    const written = body<WrittenMovement>(movementSchema, request.body);
    const studioId = studioOf(response);
    await inTransaction(pool, async (client) => {
      await overtakeStudio(client, studioId);
      if (await hasMovement(client, studioId, written.id)) return;
      const { value } = await loadWorkshop(client, studioId);
      const things: readonly { readonly id: string; readonly name: string }[] = value[written.shelf];
      const thing = things.find(({ id }) => id === written.thingId);
      if (!thing)
        throw new Refusal(404, 'That is not on the shelf any more; put it there in Workshop first.', 'thingId');
      const has = await countOf(client, studioId, written);
      const change = written.cause === 'counted' ? written.change - has : written.change;
      if (has + change < 0)
        throw new Refusal(409, `There are only ${has} of ${thing.name} in the books; count it anew first.`, 'change');
      if (has + change > MOST)
        throw new Refusal(400, `change leads to more than ${MOST} of ${thing.name}; count it anew.`, 'change');
      await addMovement(client, studioId, { ...written, change });
    });
    response.status(201).json({ id: written.id });
  });

  return router;
}
