import type { StateCreator } from 'zustand';
import type { View } from './index.ts';

/** What is followed at Cut, and what the blade would leave. */
export interface CutSlice {
  /** Where trims may land, instead of the moves that make them. */
  readonly drift: boolean;
  /** Moves checked off, by number. */
  readonly cutsDone: readonly number[];
  toggleDrift(): void;
  /** A move, counted from nought, and no drift. */
  showMove(step: number): void;
  /** Checks a move off, or takes that back, and goes on to the next. */
  checkCut(number: number, of: number): void;
}

export const cutSlice: StateCreator<View, [], [], CutSlice> = (set) => ({
  ...{ drift: false, cutsDone: [] },
  toggleDrift: () => set((s) => ({ drift: !s.drift })),
  showMove: (step) => set({ step, drift: false }),
  checkCut: (number, of) =>
    set((s) =>
      s.cutsDone.includes(number)
        ? { cutsDone: s.cutsDone.filter((n) => n !== number), step: number - 1 }
        : { cutsDone: [...s.cutsDone, number], step: Math.min(number, of - 1) },
    ),
});
