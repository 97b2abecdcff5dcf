import { LIMITS } from '../../../job/limits.ts';

/** What is wrong with a file of so many bytes, before it is opened; null when nothing is. */
export const namesTooLarge = (bytes: number): string | null =>
  bytes > LIMITS.names.bytes
    ? `The list is ${(bytes / 1048576).toFixed(0)} MB and the most is ${LIMITS.names.bytes / 1048576} MB; keep only the columns that are printed.`
    : null;
