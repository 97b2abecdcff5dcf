import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import { planJob, type MixedPattern } from '@zippy/core';
import { loadFonts } from '../exports/index.ts';
import { piecesOf, sharedPdf, type SharedJob, type SharedOrder } from '../exports/shared.ts';
import { loadPlacedPictures } from '../pictures/placed.ts';
import { findJob } from '../tables/jobs.ts';
import { STUDIO_ID } from '../tables/types.ts';
import { loadWorkshop } from '../workshop.ts';
import { ID } from './ids.ts';
import { body, Refusal } from './refuse.ts';

const mm = Joi.number().min(0).max(4000).required();
const placement = Joi.object({
  id: Joi.string().max(160).required(),
  xMm: mm,
  yMm: mm,
  widthMm: mm,
  heightMm: mm,
  turned: Joi.boolean().required(),
});
const orderSchema = Joi.object({
  jobIds: Joi.array().items(ID).max(60).required(),
  /** Printer and feed path, whose calibration corrects the pages. */
  feed: Joi.object({ printerId: Joi.string().max(80).required(), pathId: Joi.string().max(80).required() }).required(),
  own: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(80).required(),
        name: Joi.string().allow('').max(80).required(),
        widthMm: mm,
        heightMm: mm,
        wanted: Joi.number().integer().min(1).max(100_000).required(),
        stockId: Joi.string().max(80).required(),
        mayTurn: Joi.boolean().required(),
      }),
    )
    .max(60)
    .required(),
  sheets: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(80).required(),
        widthMm: mm.min(40),
        heightMm: mm.min(40),
        marginsMm: Joi.object({ top: mm, right: mm, bottom: mm, left: mm }).required(),
        cost: Joi.number().min(0).required(),
        most: Joi.number().integer().min(0).allow(null).required(),
        quarterTurned: Joi.boolean(),
      }),
    )
    .min(1)
    .max(40)
    .required(),
  patterns: Joi.array()
    .items(
      Joi.object({
        times: Joi.number().integer().min(1).max(100_000).required(),
        sheetId: Joi.string().max(80).required(),
        placements: Joi.array().items(placement).min(1).max(2000).required(),
      }),
    )
    .min(1)
    .max(200)
    .required(),
  flipEdge: Joi.valid('long', 'short').required(),
  grain: Joi.valid('respect', 'ignore').required(),
});
/** Pieces are worked out anew here; a plan made from an older job is not printed. */
const OLD_MM = 0.02;

/** Sheets that several jobs share, as one PDF. */
export function sharedRoutes(pool: Pool): Router {
  const router = Router();
  router.post('/pdf', express.json({ limit: '8mb' }), async (request, response) => {
    const order = body<
      SharedOrder & { jobIds: readonly string[]; feed: { readonly printerId: string; readonly pathId: string } }
    >(orderSchema, request.body);
    const fonts = await loadFonts();
    const workshop = await loadWorkshop(pool, STUDIO_ID);
    const printer = workshop.value.printers.find(({ id }) => id === order.feed.printerId);
    const path = printer?.paths.find(({ id }) => id === order.feed.pathId);
    if (!printer || !path)
      throw new Refusal(404, 'This printer or feed path is not in the workshop any more; choose another.', 'feed');
    const date = new Date().toISOString().slice(0, 10);
    const jobs: SharedJob[] = [];
    for (const id of order.jobIds) {
      const found = await findJob(pool, STUDIO_ID, id);
      if (!found) throw new Refusal(404, 'One of these jobs is not here any more; lay the sheets out again.', 'jobIds');
      const plan = planJob(found.document, workshop.value, { typefaces: fonts.book, today: date });
      jobs.push({ id, job: found.document, plan, pictures: await loadPlacedPictures(pool, STUDIO_ID, found.document) });
    }
    checkPatterns(order.patterns, order, jobs);
    const bytes = await sharedPdf(jobs, order, { printer, path, stocks: workshop.value.stocks }, fonts, date);
    response.type('application/pdf').set('Content-Disposition', 'attachment; filename="shared-sheets.pdf"').send(bytes);
  });
  return router;
}

function checkPatterns(patterns: readonly MixedPattern[], order: SharedOrder, jobs: readonly SharedJob[]): void {
  const pieces = new Map(piecesOf(jobs, order).map((piece) => [piece.id, piece]));
  for (const { sheetId, placements } of patterns) {
    if (!order.sheets.some(({ id }) => id === sheetId))
      throw new Refusal(400, `sheetId names “${sheetId}”, which is not among the sheets.`, 'patterns');
    for (const p of placements) {
      const piece = pieces.get(p.id);
      const [w, h] = p.turned ? [piece?.heightMm, piece?.widthMm] : [piece?.widthMm, piece?.heightMm];
      if (!piece || Math.abs(w! - p.widthMm) > OLD_MM || Math.abs(h! - p.heightMm) > OLD_MM)
        throw new Refusal(409, 'A job was changed since these sheets were laid out; lay them out again.', 'patterns');
    }
  }
}
