import { create } from 'zustand';
import { USUAL_PRINT_SPREAD_MM, WANTED_FAULT_SHARE } from '@zippy/core';

/** The drift lab’s own settings; nothing of them is part of a job. */
interface DriftState {
  /** Where the blade on the bench came down. */
  readonly rightMm: number;
  readonly downMm: number;
  readonly biasRightMm: number;
  readonly biasDownMm: number;
  readonly printSpreadMm: number;
  readonly wantedShare: number;
  set(part: Partial<Omit<DriftState, 'set'>>): void;
}

export const useDrift = create<DriftState>()((set) => ({
  rightMm: 0,
  downMm: 0,
  biasRightMm: 0,
  biasDownMm: 0,
  printSpreadMm: USUAL_PRINT_SPREAD_MM,
  wantedShare: WANTED_FAULT_SHARE,
  set: (part) => set(part),
}));
