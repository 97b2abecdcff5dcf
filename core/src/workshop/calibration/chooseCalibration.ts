import type { FeedPath } from '../types.ts';
import type { Gsm, Mm } from '../../ground/length/types.ts';
import { turnOf } from '../../ground/geometry/affine.ts';
import { correctionsFor, registerOf, type Measured } from './fitRegister.ts';
import { isUsable } from './sayRegister.ts';
import type { Calibration, Corrections } from './types.ts';

/** Card this near in weight goes through a printer alike. */
const NEAR = 1 / 8;

/** The calibration in force for a stock: the newest of the nearest weight, or null when none is near. */
export function calibrationFor(path: FeedPath, gsm: Gsm): Calibration | null {
  const off = (c: Calibration): number => Math.abs(c.gsm - gsm) / gsm;
  const near = (path.calibrations ?? []).filter((c) => !c.setAside && off(c) <= NEAR);
  return near.reduce<Calibration | null>((best, c) => {
    if (!best || off(c) < off(best)) return c;
    // Later entries of one day are the newer.
    return off(c) === off(best) && c.day >= best.day ? c : best;
  }, null);
}

export interface InForce {
  readonly from: Calibration;
  readonly corrections: Corrections;
}

/** What a calibration was measured on. */
export const measuredOn = ({ sheetWidthMm, sheetHeightMm, flipEdge }: Calibration): Measured => {
  const sheet = { widthMm: sheetWidthMm, heightMm: sheetHeightMm };
  return { sheet, turn: turnOf(sheet, flipEdge) };
};

/**
 * What a stock’s calibration does to the pages of a sheet; null where none is near or none is usable. It is kept by
 * the turn as the printer saw it: on a sheet cut down to lie the other way, the same edge is another turn.
 */
export function correctionsInForce(
  path: FeedPath,
  gsm: Gsm,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
): InForce | null {
  const from = calibrationFor(path, gsm);
  if (!from || from.readings.arrows === 'opposite') return null;
  const register = registerOf(from);
  return isUsable(register) ? { from, corrections: correctionsFor(sheet, measuredOn(from), register) } : null;
}
