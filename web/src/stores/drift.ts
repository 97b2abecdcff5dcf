import { create } from 'zustand';

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
  // A sheet in a home printer’s tray moves by a quarter of a millimetre or so.
  printSpreadMm: 0.25,
  wantedShare: 0.01,
  set: (part) => set(part),
}));
