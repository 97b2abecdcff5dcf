import { create } from 'zustand';
import { printSpreadOf, WANTED_FAULT_SHARE, type Job, type Mm, type Workshop } from '@zippy/core';

/** The drift lab’s own settings; nothing of them is part of a job. */
interface DriftState {
  /** Where the blade on the bench came down. */
  readonly rightMm: number;
  readonly downMm: number;
  readonly biasRightMm: number;
  readonly biasDownMm: number;
  /** Tried for once; null as the job’s own path was found, or the usual. */
  readonly printSpreadMm: number | null;
  readonly wantedShare: number;
  set(part: Partial<Omit<DriftState, 'set'>>): void;
}

export const useDrift = create<DriftState>()((set) => ({
  rightMm: 0,
  downMm: 0,
  biasRightMm: 0,
  biasDownMm: 0,
  printSpreadMm: null,
  wantedShare: WANTED_FAULT_SHARE,
  set: (part) => set(part),
}));

/** How far print strays: as tried, or as backs of the job’s own path were measured. */
export function usePrintSpread({ stock }: Pick<Job, 'stock'>, workshop: Workshop): Mm {
  const tried = useDrift((s) => s.printSpreadMm);
  return tried ?? printSpreadOf(workshop, stock.printerId, stock.pathId);
}
