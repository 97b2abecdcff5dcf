import type { StateCreator } from 'zustand';
import type { RunSlice, View } from './types.ts';

const FIRST = { card: 0, sheetNumber: 1 };

export const runSlice: StateCreator<View, [], [], RunSlice> = (set) => ({
  ...FIRST,
  atMake: 'steps',
  showAtMake: (atMake) => set({ atMake }),
  showCard: (card) => set({ card }),
  showSheet: (sheetNumber) => set({ sheetNumber }),
  showFirst: () => set(FIRST),
});
