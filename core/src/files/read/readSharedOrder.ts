import Joi from 'joi';
import { SHARED_LIMITS } from '../../shared/limits.ts';
import { check, type Checked } from './check.ts';
import { length } from './rules.ts';
import type { SharedOrder } from '../../shared/types.ts';

interface OrderFile {
  readonly sheet: { readonly w: number; readonly h: number };
  readonly margins: { readonly top: number; readonly right: number; readonly bottom: number; readonly left: number };
  readonly bleed: number;
  readonly gutter: number;
  readonly pieces: readonly {
    readonly id: string;
    readonly w: number;
    readonly h: number;
    readonly wanted: number;
    readonly turn: boolean;
  }[];
}

const side = length(SHARED_LIMITS.marginMm).default(0);
const schema = Joi.object({
  sheet: Joi.object({
    w: length(SHARED_LIMITS.sheetMm).required(),
    h: length(SHARED_LIMITS.sheetMm).required(),
  }).required(),
  margins: Joi.object({ top: side, right: side, bottom: side, left: side }).default({
    top: 0,
    right: 0,
    bottom: 0,
    left: 0,
  }),
  bleed: length(SHARED_LIMITS.bleedMm).default(0),
  gutter: length(SHARED_LIMITS.gutterMm).default(0),
  pieces: Joi.array()
    .min(1)
    .max(SHARED_LIMITS.kinds)
    .unique('id')
    .items(
      Joi.object({
        id: Joi.string().max(SHARED_LIMITS.idLetters).required(),
        w: length(SHARED_LIMITS.pieceMm).required(),
        h: length(SHARED_LIMITS.pieceMm).required(),
        wanted: Joi.number().integer().min(SHARED_LIMITS.wanted.least).max(SHARED_LIMITS.wanted.most).required(),
        turn: Joi.boolean().default(true),
      }),
    )
    .required(),
});

/** Reads an order that has been parsed as JSON; lengths are millimetres or text with a unit. */
export function readSharedOrder(value: unknown): Checked<SharedOrder> {
  const checked = check<OrderFile>(schema, value, 'the order');
  if (!checked.ok) return checked;
  const { sheet, margins, bleed, gutter, pieces } = checked.value;
  if (margins.left + margins.right + 2 * bleed >= sheet.w || margins.top + margins.bottom + 2 * bleed >= sheet.h)
    return { ok: false, field: 'margins', why: 'margins and bleed leave nothing of the sheet; make them smaller.' };
  return {
    ok: true,
    value: {
      sheetWidthMm: sheet.w,
      sheetHeightMm: sheet.h,
      marginsMm: margins,
      bleedMm: bleed,
      gutterMm: gutter,
      pieces: pieces.map(({ id, w, h, wanted, turn }) => ({ id, widthMm: w, heightMm: h, wanted, mayTurn: turn })),
    },
  };
}
