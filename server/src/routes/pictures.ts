import { Router } from 'express';
import type { PictureOutline } from '@zippy/core/contract';
import type { Pool } from 'pg';
import { loadInkLattice } from '../pictures/fourInks.ts';
import type { Readers } from '../readers/readers.ts';
import { MOST_BYTES } from '../pictures/readPicture.ts';
import { addPicture, findPreview } from '../tables/pictures.ts';
import { studioOf } from '../studio.ts';
import { broughtFile, fileBody } from './broughtFile.ts';
import { notFound, Refusal } from './refuse.ts';

const NAME_LETTERS = 200;
const MOST_WIDE_PX = 100_000;

export function pictureRoutes(pool: Pool, readers: Readers): Router {
  const router = Router();

  router.post('/', fileBody(MOST_BYTES), async (request, response) => {
    const { name, bytes } = broughtFile(request, 'picture');
    const picture = await readers.picture(name, bytes);
    await addPicture(pool, studioOf(response), picture);
    response.status(201).json(picture.ref);
  });

  // What colours come to in press inks, so that the page can say where too much is asked for.
  router.get('/inks', async (_request, response) => {
    response.set('Cache-Control', 'private, max-age=3600').json(await loadInkLattice());
  });

  // What is cut round a picture; traced beside the server, as pictures are read.
  router.get('/:sha256/outline', async (request, response) => {
    const asked = { widthPx: Number(request.query.widthPx) };
    const { name } = request.query;
    if (typeof name !== 'string' || name.length > NAME_LETTERS)
      throw new Refusal(400, `name wants the picture’s name, up to ${NAME_LETTERS} letters.`, 'name');
    if (!(asked.widthPx >= 1 && asked.widthPx <= MOST_WIDE_PX))
      throw new Refusal(400, `widthPx wants 1 to ${MOST_WIDE_PX} pixels.`, 'widthPx');
    const { sha256 } = request.params;
    const found = /^[0-9a-f]{64}$/.test(sha256) ? await findPreview(pool, studioOf(response), sha256) : null;
    if (!found) throw notFound('picture');
    response.json((await readers.outline(name, found.bytes, asked)) satisfies PictureOutline);
  });

  router.get('/:sha256', async (request, response) => {
    const { sha256 } = request.params;
    const found = /^[0-9a-f]{64}$/.test(sha256) ? await findPreview(pool, studioOf(response), sha256) : null;
    if (!found) throw notFound('picture');
    response
      .type(found.mime)
      // Content never changes under its hash; and even opened by itself an SVG may run and fetch nothing.
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox")
      .send(found.bytes);
  });

  return router;
}
