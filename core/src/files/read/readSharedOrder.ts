import Joi from 'joi';
import { check, length, type Checked } from './schema.ts';
import type { GangOrder } from '../../shared/types.ts';

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

const side = length(0, 1000).default(0);
const schema = Joi.object({
  sheet: Joi.object({ w: length(10, 10_000).required(), h: length(10, 10_000).required() }).required(),
  margins: Joi.object({ top: side, right: side, bottom: side, left: side }).default({
    top: 0,
    right: 0,
    bottom: 0,
    left: 0,
  }),
  bleed: length(0, 100).default(0),
  gutter: length(0, 200).default(0),
  pieces: Joi.array()
    .min(1)
    .max(60)
    .unique('id')
    .items(
      Joi.object({
        id: Joi.string().max(80).required(),
        w: length(2, 10_000).required(),
        h: length(2, 10_000).required(),
        wanted: Joi.number().integer().min(1).max(100_000).required(),
        turn: Joi.boolean().default(true),
      }),
    )
    .required(),
});

/** Reads an order that has been parsed as JSON; lengths are millimetres or text with a unit. */
export function readGangOrder(value: unknown): Checked<GangOrder> {
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
