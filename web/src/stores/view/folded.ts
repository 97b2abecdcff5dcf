import type { StateCreator } from 'zustand';
import type { View } from './index.ts';

/** How the folded card is held. */
export interface FoldedSlice {
  readonly folded: boolean;
  /** 0 shut, 1 flat open. */
  readonly open: number;
  /** Steps of the folding that are made; null while the slider opens and shuts the card. */
  readonly folds: number | null;
  /** Standing on a table, and not as its reader holds it. */
  readonly stands: boolean;
  readonly yawDeg: number;
  readonly pitchDeg: number;
  showFolded(folded: boolean): void;
  /** Shows it folded; shut or open, whichever it is not, where it was folded already. */
  toggleOpen(): void;
  openTo(open: number): void;
  foldTo(folds: number): void;
  standUp(stands: boolean): void;
  /** Shut and straight on, as it is handed over. */
  holdShut(): void;
  turnTo(yawDeg: number, pitchDeg: number): void;
}

/** A standing card is looked at from a little more to the side, and from above. */
const BESIDE = { yawDeg: -32, pitchDeg: 20 };

export const foldedSlice: StateCreator<View, [], [], FoldedSlice> = (set) => ({
  ...{ folded: false, open: 0.22, folds: null, stands: false, yawDeg: -24, pitchDeg: 14 },
  showFolded: (folded) => set({ folded }),
  toggleOpen: () =>
    set((s) => ({ folded: true, folds: null, open: s.folded && s.open < 0.5 ? 1 : s.folded ? 0 : s.open })),
  openTo: (open) => set({ open, folds: null, stands: false }),
  foldTo: (folds) => set({ folds, stands: false }),
  standUp: (stands) => set({ stands, folds: null, ...BESIDE }),
  holdShut: () => set({ stands: false, folds: null, open: 0, yawDeg: 0, pitchDeg: 0 }),
  turnTo: (yawDeg, pitchDeg) => set({ yawDeg, pitchDeg }),
});
