import { MM_PER_INCH, type LengthUnit, type Mm } from '../../ground/length/types.ts';
import type { Sides } from '../../ground/geometry/types.ts';

/** What a hand’s drift is lost in; our starting value, to be changed at Size. */
const LEAST_MM = 5;
const LEAST_IN = 1 / 4;

/** Wide enough for every edge that a printer does not reach, to the half millimetre or the sixteenth of an inch. */
export function borderBeyond(marginsMm: Sides, unit: LengthUnit): Mm {
  const step = unit === 'in' ? MM_PER_INCH / 16 : 0.5;
  const { top, right, bottom, left } = marginsMm;
  return Math.ceil(Math.max(top, right, bottom, left) / step - 1e-9) * step;
}

/** Where art that stops short of the edges begins to: what this printer leaves white, and no less than drift is lost in. */
export const usualBareEdgeMm = (marginsMm: Sides, unit: LengthUnit): Mm =>
  Math.max(borderBeyond(marginsMm, unit), unit === 'in' ? LEAST_IN * MM_PER_INCH : LEAST_MM);
