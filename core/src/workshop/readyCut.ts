import type { ReadyCut } from './types.ts';

/** Whether its line is there already, so that it is only folded. */
export const isScored = (readyCut: ReadyCut | undefined): boolean =>
  readyCut !== undefined && readyCut.fold !== 'none' && readyCut.state !== 'flat';
