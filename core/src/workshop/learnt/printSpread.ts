import type { Mm } from '../../ground/length/types.ts';
import type { Workshop } from '../types.ts';
import { habitOf, readingsOf } from './habits.ts';

/** A sheet in a home printer’s tray moves by a quarter of a millimetre or so; a maker’s own replaces it. */
export const USUAL_PRINT_SPREAD_MM = 0.25;

/** How readings name a path. */
export const pathKey = (printerId: string, pathId: string): string => `${printerId}/${pathId}`;

/**
 * How far print strays on its sheet, either way: one standard deviation, from backs measured against their fronts. A
 * back’s place over its front strays by both of them, so each of the two by 1 ÷ √2 of it.
 * Source: the sum of variances of independent errors, as in JCGM 100:2008, 5.1.2
 */
export function printSpreadOf({ spoilLog }: Pick<Workshop, 'spoilLog'>, printerId: string, pathId: string): Mm {
  const readings = readingsOf(spoilLog, 'paths', pathKey(printerId, pathId));
  if (readings.length === 0) return USUAL_PRINT_SPREAD_MM;
  const usual = USUAL_PRINT_SPREAD_MM * Math.SQRT2;
  const ways = [readings.map(({ offMm }) => offMm), readings.map(({ downMm = 0 }) => downMm)];
  const variance = ways.reduce((sum, strays) => sum + habitOf(strays, usual).spreadMm ** 2, 0) / ways.length;
  return Math.sqrt(variance / 2);
}
