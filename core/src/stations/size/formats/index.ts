import type { FoldedForm } from '../../../ground/fold/types.ts';
import { OPTION_DEFAULTS, type FormatId, type FormatOptions, type OptionId } from '../../../job/format.ts';
import { bag } from './bag.ts';
import { box } from './box.ts';
import { footBag } from './footBag.ts';
import { cascade } from './cascade.ts';
import { doubleGate } from './doubleGate.ts';
import { easel } from './easel.ts';
import { flat } from './flat.ts';
import { gateFold } from './gateFold.ts';
import { gusset } from './gusset.ts';
import { hingedShape } from './hingedShape.ts';
import { placeCard } from './placeCard.ts';
import { quarterFold } from './quarterFold.ts';
import { rollFold } from './rollFold.ts';
import { sideFold } from './sideFold.ts';
import { spineFold } from './spineFold.ts';
import { tentFold } from './tentFold.ts';
import { wallet } from './wallet.ts';
import { zGate } from './zGate.ts';
import { zigzag } from './zigzag.ts';
import type { Finish, Format, Paper } from './types.ts';

/** Every way of folding, in the order a maker meets them. A new one is a file and a line here, and its name in the job’s list. */
export const FORMATS: readonly Format[] = [
  flat,
  sideFold,
  tentFold,
  placeCard,
  quarterFold,
  gateFold,
  doubleGate,
  zGate,
  rollFold,
  zigzag,
  cascade,
  spineFold,
  gusset,
  wallet,
  bag,
  footBag,
  box,
  hingedShape,
  easel,
];

const byId = new Map(FORMATS.map((format) => [format.id, format]));
/** @throws RangeError for a name of the job’s list that no file has, which would be our mistake */
export function formatEntry(id: FormatId): Format {
  const found = byId.get(id);
  if (!found) throw new RangeError(`formatEntry: no format “${id}”`);
  return found;
}

export const isOf = (format: FormatId, option: OptionId): boolean =>
  formatEntry(format).inputs.some((input) => input.id === option);

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
  formatEntry(format).form(finish, options, paper);

/** Faces that any format can have: at its fewest and most of anything, and by each of its choices. */
export function everyFaceId(): readonly string[] {
  const finish: Finish = { widthMm: 100, heightMm: 100 };
  const ids = FORMATS.flatMap(({ id: format, inputs, facesFollow }) => {
    const asked = inputs.filter(({ id }) => facesFollow?.includes(id) ?? true);
    const variants: readonly Partial<FormatOptions>[] = [
      {},
      ...asked.flatMap((input): readonly Partial<FormatOptions>[] => {
        if (input.kind === 'choice') return input.choices.map(({ id }) => ({ [input.id]: id }));
        if (input.kind === 'yesNo') return [true, false].map((is) => ({ [input.id]: is }));
        if (input.kind !== 'number' || !input.whole) return [];
        const [least, most] = input.limits(finish);
        return Array.from({ length: most - least + 1 }, (_, i) => ({ [input.id]: least + i }));
      }),
    ];
    return variants.flatMap((chosen) =>
      formOf(format, finish, settleOptions(format, finish, chosen).options, { caliperMm: 0.2 }).faces.map((f) => f.id),
    );
  });
  return [...new Set(ids)];
}
