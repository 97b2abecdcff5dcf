import express, { Router } from 'express';
import Joi from 'joi';
import type { Pool } from 'pg';
import type { Drawers } from '../drawings/drawers.ts';
import type { SharedPrint } from '../exports/shared.ts';
import { loadPlaced } from '../placed.ts';
import { findJob } from '../tables/jobs.ts';
import { studioOf } from '../studio.ts';
import { loadWorkshop } from '../workshop/loadWorkshop.ts';
import { ID } from '../fields.ts';
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

/** Sheets that several jobs share, as one PDF. */
export function sharedRoutes(pool: Pool, drawers: Drawers): Router {
  const router = Router();
  router.post('/pdf', express.json({ limit: '8mb' }), async (request, response) => {
    const order = body<
      SharedPrint & { jobIds: readonly string[]; feed: { readonly printerId: string; readonly pathId: string } }
    >(orderSchema, request.body);
    const { jobIds, feed, ...rest } = order;
    const { value: workshop } = await loadWorkshop(pool, studioOf(response));
    const jobs = [];
    for (const id of jobIds) {
      const found = await findJob(pool, studioOf(response), id);
      if (!found) throw new Refusal(404, 'One of these jobs is not here any more; lay the sheets out again.', 'jobIds');
      jobs.push({
        id,
        job: found.document,
        ...(await loadPlaced(pool, studioOf(response), found.document)),
      });
    }
    const date = new Date().toISOString().slice(0, 10);
    const bytes = await drawers.draw({ kind: 'shared', workshop, feed, jobs, order: rest, date });
    response
      .type('application/pdf')
      .set('Content-Disposition', 'attachment; filename="shared-sheets.pdf"')
      .send(Buffer.from(bytes));
  });
  return router;
}
