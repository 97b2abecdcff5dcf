import type { FoldedForm } from '../../../ground/fold/types.ts';
import { isOf, OPTION_DEFAULTS, formatEntry } from './catalogue.ts';
import { hingedShape } from './hinged.ts';
import { cascade, doubleGate, gateFold, gusset, rollFold, spineFold, zigzag } from './pleated.ts';
import { quarterFold } from './quarter.ts';
import { easel, flat, placeCard, sideFold, tentFold } from './simple.ts';
import { FORMAT_IDS, type FormatId, type FormatOptions, type OptionId } from '../../../job/format.ts';
import { type Finish, type FormOf, type Paper } from './types.ts';

/** A new way of folding is one more line here and one in the catalogue. */
const FORMS: Readonly<Record<FormatId, FormOf>> = {
  flat,
  sideFold,
  tentFold,
  placeCard,
  quarterFold,
  gateFold,
  doubleGate,
  rollFold,
  zigzag,
  cascade,
  spineFold,
  gusset,
  hingedShape,
  easel,
};

export interface OptionFault {
  readonly option: OptionId;
  readonly label: string;
  readonly least: number;
  readonly most: number;
  readonly given: number;
  readonly nearest: number;
}

/**
 * The options a format uses, each within its limits; those out of reach are drawn in and reported, so that
 * there is always a card to look at.
 */
export function settleOptions(
  format: FormatId,
  finish: Finish,
  chosen: Partial<FormatOptions>,
): { readonly options: FormatOptions; readonly faults: readonly OptionFault[] } {
  const options: Record<string, unknown> = { ...OPTION_DEFAULTS };
  const faults: OptionFault[] = [];
  for (const input of formatEntry(format).inputs) {
    const value = chosen[input.id];
    if (value === undefined) continue;
    options[input.id] = value;
    if ((input.kind !== 'length' && input.kind !== 'number') || typeof value !== 'number') continue;
    const [least, most] = input.limits(finish);
    const nearest = Math.min(most, Math.max(least, value));
    options[input.id] = nearest;
    if (Math.abs(nearest - value) > 1e-9)
      faults.push({ option: input.id, label: input.label, least, most, given: value, nearest });
  }
  // A default may itself be out of reach on a very small or large card.
  for (const input of formatEntry(format).inputs)
    if (chosen[input.id] === undefined && (input.kind === 'length' || input.kind === 'number')) {
      const [least, most] = input.limits(finish);
      const value = options[input.id];
      if (typeof value === 'number') options[input.id] = Math.min(most, Math.max(least, value));
    }
  return { options: options as unknown as FormatOptions, faults };
}

export const formOf = (format: FormatId, finish: Finish, options: FormatOptions, paper: Paper): FoldedForm =>
  FORMS[format](finish, options, paper);

/** Faces that any format can have, at its fewest and most panels. */
export function everyFaceId(): readonly string[] {
  const finish: Finish = { widthMm: 100, heightMm: 100 };
  const ids = FORMAT_IDS.flatMap((format) => {
    const counts = isOf(format, 'panels')
      ? Array.from({ length: 10 }, (_, i) => settleOptions(format, finish, { panels: 3 + i }).options)
      : [settleOptions(format, finish, {}).options];
    return counts.flatMap((options) => formOf(format, finish, options, { caliperMm: 0.2 }).faces.map((f) => f.id));
  });
  return [...new Set(ids)];
}
