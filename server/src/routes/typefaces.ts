import { Router } from 'express';
import type { Pool } from 'pg';
import type { OwnTypefaceRow } from '@zippy/core/contract';
import type { Readers } from '../readers/readers.ts';
import { studioOf } from '../studio.ts';
import { addTypeface, dropTypeface, findTypeface, listTypefaces } from '../tables/typefaces.ts';
import { MOST_TYPEFACE_BYTES } from '../typefaces/readOwnTypeface.ts';
import { broughtFile, fileBody } from './broughtFile.ts';
import { notFound } from './refuse.ts';

const hashOf = (value: string): string => {
  if (!/^[0-9a-f]{64}$/.test(value)) throw notFound('typeface');
  return value;
};

/** Typefaces that the maker brought. */
export function typefaceRoutes(pool: Pool, readers: Readers): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json((await listTypefaces(pool, studioOf(response))) satisfies readonly OwnTypefaceRow[]);
  });

  router.post('/', fileBody(MOST_TYPEFACE_BYTES), async (request, response) => {
    const { name, bytes } = broughtFile(request, 'typeface');
    const typeface = await readers.typeface(name, bytes);
    await addTypeface(pool, studioOf(response), typeface);
    const all = await listTypefaces(pool, studioOf(response));
    response.status(201).json(all.find(({ id }) => id === typeface.id));
  });

  router.get('/:sha256', async (request, response) => {
    const bytes = await findTypeface(pool, studioOf(response), hashOf(request.params.sha256));
    if (!bytes) throw notFound('typeface');
    response
      .type('application/octet-stream')
      // Content never changes under its hash, but it may be taken out.
      .set('Cache-Control', 'private, no-cache')
      .send(bytes);
  });

  router.delete('/:sha256', async (request, response) => {
    if (!(await dropTypeface(pool, studioOf(response), hashOf(request.params.sha256)))) throw notFound('typeface');
    response.status(204).end();
  });

  return router;
}
