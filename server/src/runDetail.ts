import Joi from 'joi';
import { MEASURED_ON, NOTES_ABOUT } from '@zippy/core';

/** A week: longer than anything dries. */
const MOST_MINUTES = 7 * 24 * 60;
const FARTHEST_OFF_MM = 50;
const LONGEST_MM = 3000;
const off = Joi.number().min(-FARTHEST_OFF_MM).max(FARTHEST_OFF_MM);

const DETAILS = {
  timer: Joi.object({
    kind: Joi.valid('timer').required(),
    minutes: Joi.number().min(0.1).max(MOST_MINUTES).required(),
  }),
  measured: Joi.object({
    kind: Joi.valid('measured').required(),
    on: Joi.valid(...MEASURED_ON).required(),
    toolId: Joi.string().max(170).required(),
    wantedMm: Joi.number().min(0).max(LONGEST_MM).required(),
    offMm: off.required(),
    downMm: off,
    setBeyondMm: off.required(),
    by: Joi.string().trim().max(40),
  }),
  note: Joi.object({
    kind: Joi.valid('note').required(),
    about: Joi.valid(...NOTES_ABOUT).required(),
    text: Joi.string().trim().min(1).max(1000).required(),
  }),
} as const;

/** What a press says beside its kind: just what belongs to that kind. */
export const runDetail = Joi.when('kind', {
  switch: Object.entries(DETAILS).map(([is, then]) => ({ is, then: then.required() })),
  otherwise: Joi.valid(null).default(null),
});
