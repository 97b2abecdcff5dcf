import type { StateCreator } from 'zustand';
import type { CutSlice, View } from './types.ts';

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
