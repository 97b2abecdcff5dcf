import type { Mm } from '../../ground/length/types.ts';
import { LIMITS } from '../../job/limits.ts';

const { least, most } = LIMITS.size.finishedMm;
export const isFinishable = (mm: Mm): boolean => mm >= least && mm <= most;

/** To a tenth of a millimetre, never up: a rounded card must still slide in. */
export const roundDown = (mm: Mm): Mm => Math.floor(mm * 10 + 1e-9) / 10;
