import type { StateCreator } from 'zustand';
import type { FoldedSlice, View } from './types.ts';

/** A standing card is looked at from a little more to the side, and from above. */
const BESIDE = { yawDeg: -32, pitchDeg: 20 };

export const foldedSlice: StateCreator<View, [], [], FoldedSlice> = (set) => ({
  ...{ popUpInHand: null, sideOn: false },
  ...{ folded: false, open: 0.22, folds: null, stands: false, yawDeg: -24, pitchDeg: 14 },
  showFolded: (folded) => set({ folded }),
  takePopUp: (popUpInHand) => set({ popUpInHand }),
  lookSideOn: (sideOn) => set({ sideOn }),
  toggleOpen: () =>
    set((s) => ({ folded: true, folds: null, open: s.folded && s.open < 0.5 ? 1 : s.folded ? 0 : s.open })),
  openTo: (open) => set({ open, folds: null, stands: false }),
  foldTo: (folds) => set({ folds, stands: false }),
  standUp: (stands) => set({ stands, folds: null, ...BESIDE }),
  holdShut: () => set({ stands: false, folds: null, open: 0, yawDeg: 0, pitchDeg: 0 }),
  turnTo: (yawDeg, pitchDeg) => set({ yawDeg, pitchDeg }),
});
