import express, { Router, type Request } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { gaugeSheet, isCalibratable, layGauge, usesOf } from '@zippy/core';
import type { JobUses, ScanAnswer, ScanAsked, VersionedWorkshop } from '@zippy/core/contract';
import { checkWorkshop } from '@zippy/core/job-file';
import { MOST_SCAN_BYTES } from '../pictures/readScan.ts';
import type { Readers } from '../readers/readers.ts';
import { broughtFile, fileBody } from './broughtFile.ts';
import type { Drawers } from '../drawings/drawers.ts';
import { listHoldings } from '../tables/jobs.ts';
import { inTransaction } from '../tables/types.ts';
import { studioOf } from '../studio.ts';
import { loadWorkshop } from '../workshop/loadWorkshop.ts';
import { saveWorkshop } from '../workshop/saveWorkshop.ts';
import { VERSION } from '../fields.ts';
import { accept, body, Refusal } from './refuse.ts';

const saveSchema = Joi.object({ version: VERSION.required(), workshop: Joi.object().required() });

const mm = Joi.number().min(20).max(2000).required();
const margin = Joi.number().min(0).max(100).required();
/** What is asked of a scan stands in the address; the scan itself is the body. */
const scanSchema = Joi.object<ScanAsked>({
  kind: Joi.valid('frame', 'cards', 'calibration').required(),
  dpi: Joi.number().min(50).max(2400).allow(null).default(null),
  frame: Joi.array().items(Joi.number().min(-10).max(10)).length(6).allow(null).default(null),
  firstBytes: Joi.number().integer().min(1).required(),
  of: Joi.when('kind', {
    is: 'calibration',
    then: Joi.object({
      sheet: Joi.object({ widthMm: mm, heightMm: mm }).required(),
      marginsMm: Joi.object({ top: margin, right: margin, bottom: margin, left: margin }).required(),
      flipEdge: Joi.valid('long', 'short').required(),
    }).required(),
    otherwise: Joi.forbidden(),
  }),
});

function scanAsked({ asked }: Request['query']): ScanAsked {
  try {
    return body<ScanAsked>(scanSchema, JSON.parse(typeof asked === 'string' ? asked : '') as unknown);
  } catch (problem) {
    if (problem instanceof SyntaxError)
      throw new Refusal(400, 'asked wants what is asked of the scan, as JSON.', 'asked');
    throw problem;
  }
}

export function workshopRoutes(pool: Pool, readers: Readers, drawers: Drawers): Router {
  const router = Router();

  router.post('/scan', fileBody(MOST_SCAN_BYTES), async (request, response) => {
    const asked = scanAsked(request.query);
    const { bytes } = broughtFile(request, 'scan');
    response.json((await readers.scan(bytes, asked)) satisfies ScanAnswer);
  });

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
