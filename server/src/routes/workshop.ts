import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { gaugeSheet, isCalibratable, layGauge, usesOf } from '@zippy/core';
import type { JobUses, VersionedWorkshop } from '@zippy/core/contract';
import { checkWorkshop } from '@zippy/core/job-file';
import type { Drawers } from '../drawings/drawers.ts';
import { listHoldings } from '../tables/jobs.ts';
import { inTransaction } from '../tables/types.ts';
import { studioOf } from '../studio.ts';
import { loadWorkshop } from '../workshop/loadWorkshop.ts';
import { saveWorkshop } from '../workshop/saveWorkshop.ts';
import { VERSION } from '../fields.ts';
import { accept, body, Refusal } from './refuse.ts';

const saveSchema = Joi.object({ version: VERSION.required(), workshop: Joi.object().required() });

export function workshopRoutes(pool: Pool, drawers: Drawers): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const { value, version } = await loadWorkshop(pool, studioOf(response));
    response.json({ workshop: value, version } satisfies VersionedWorkshop);
  });

  router.get('/uses', async (_request, response) => {
    const holdings = await listHoldings(pool, studioOf(response));
    const uses: readonly JobUses[] = holdings.map(({ id, title, holds }) => ({ id, title, uses: usesOf(holds) }));
    response.json({ uses });
  });

  router.put('/', express.json({ limit: '1mb' }), async (request, response) => {
    const { version, workshop } = body<{ version: number; workshop: Record<string, unknown> }>(
      saveSchema,
      request.body,
    );
    const { spoilLog: _counted, ...stored } = workshop;
    const checked = accept(checkWorkshop(stored));
    const saved = await inTransaction(pool, (client) => saveWorkshop(client, studioOf(response), checked, version));
    if (saved === null) {
      const theirs = await loadWorkshop(pool, studioOf(response));
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

  router.get('/calibration.pdf', async (request, response) => {
    const { printer, path, stock, flip } = request.query as Record<string, string>;
    const { value } = await loadWorkshop(pool, studioOf(response));
    const own = value.printers.find((p) => p.id === printer);
    const feed = own?.paths.find((p) => p.id === path);
    const paper = value.stocks.find((s) => s.id === stock);
    if (!own || !feed) throw new Refusal(404, 'That printer has no such feed path; choose one in Workshop.', 'path');
    if (!paper) throw new Refusal(404, 'That stock is not on the shelf any more; choose another.', 'stock');
    const sheet = { widthMm: paper.sheetWidthMm, heightMm: paper.sheetHeightMm };
    if (!isCalibratable(sheet, feed.marginsMm))
      throw new Refusal(400, 'stock is too small a sheet for four crosses; calibrate on a larger one.', 'stock');
    const page = {
      sheet,
      marginsMm: feed.marginsMm,
      ...(feed.enlargesBy ? { enlargesBy: feed.enlargesBy } : {}),
      flipEdge: flip === 'short' ? ('short' as const) : ('long' as const),
      about: `${own.name}, ${feed.name}, ${paper.gsm} gsm`,
      date: new Date().toISOString().slice(0, 10),
      unit: value.unit,
    };
    const bytes = await drawers.draw({ kind: 'calibration', page });
    response
      .type('application/pdf')
      .set('Content-Disposition', 'attachment; filename="calibration-sheet.pdf"')
      .send(Buffer.from(bytes));
  });

  router.get('/gauge.pdf', async (request, response) => {
    const { stock } = request.query as Record<string, string>;
    const { value } = await loadWorkshop(pool, studioOf(response));
    const paper = value.stocks.find((s) => s.id === stock);
    if (!paper) throw new Refusal(404, 'That stock is not on the shelf any more; choose another.', 'stock');
    const sheet = gaugeSheet(paper, value);
    if (!layGauge(sheet))
      throw new Refusal(400, 'stock is too small a sheet for strips that can hang; cut them by hand.', 'stock');
    const bytes = await drawers.draw({ kind: 'gauge', sheet });
    response
      .type('application/pdf')
      .set('Content-Disposition', 'attachment; filename="strips-and-gauge.pdf"')
      .send(Buffer.from(bytes));
  });

  return router;
}
