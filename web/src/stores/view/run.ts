import type { StateCreator } from 'zustand';
import type { RunSlice, View } from './types.ts';

const FIRST = { card: 0, sheetNumber: 1 };

export const runSlice: StateCreator<View, [], [], RunSlice> = (set) => ({
  ...FIRST,
  rehearsing: false,
  rehearse: (rehearsing) => set({ rehearsing }),
  showCard: (card) => set({ card }),
  showSheet: (sheetNumber) => set({ sheetNumber }),
  showFirst: () => set(FIRST),
});
