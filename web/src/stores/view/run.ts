import type { StateCreator } from 'zustand';
import type { View } from './index.ts';

/** Which of many cards and sheets is looked at; the plan is asked for them. */
export interface RunSlice {
  /** Of a list of names, counted from nought. */
  readonly card: number;
  /** From one. */
  readonly sheetNumber: number;
  showCard(card: number): void;
  showSheet(sheetNumber: number): void;
  showFirst(): void;
}

const FIRST = { card: 0, sheetNumber: 1 };

export const runSlice: StateCreator<View, [], [], RunSlice> = (set) => ({
  ...FIRST,
  showCard: (card) => set({ card }),
  showSheet: (sheetNumber) => set({ sheetNumber }),
  showFirst: () => set(FIRST),
});
