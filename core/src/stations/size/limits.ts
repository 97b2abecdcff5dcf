import type { Mm } from '../../ground/length/types.ts';

export const SMALLEST_FINISHED_MM = 30;
export const LARGEST_FINISHED_MM = 900;
export const isFinishable = (mm: Mm): boolean => mm >= SMALLEST_FINISHED_MM && mm <= LARGEST_FINISHED_MM;

/** To a tenth of a millimetre, never up: a rounded card must still slide in. */
export const roundDown = (mm: Mm): Mm => Math.floor(mm * 10 + 1e-9) / 10;
