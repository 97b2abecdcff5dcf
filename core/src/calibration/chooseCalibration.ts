import type { FeedPath } from '../job/types.ts';
import type { Gsm } from '../length/types.ts';
import type { Calibration } from './types.ts';

/** Card this near in weight goes through a printer alike. */
const NEAR = 0.12;

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
