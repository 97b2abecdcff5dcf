import type { StateCreator } from 'zustand';
import type { BenchSlice, View } from './types.ts';

const FRONT_UP = { side: 'outside', light: false, zoom: 1, step: 0, onSheet: false } as const;

export const benchSlice: StateCreator<View, [], [], BenchSlice> = (set) => ({
  ...FRONT_UP,
  turnOver: () => set((s) => ({ side: s.side === 'outside' ? 'inside' : 'outside' })),
  toggleLight: () => set((s) => ({ light: !s.light })),
  zoomTo: (zoom) => set({ zoom }),
  goToStep: (step) => set({ step }),
  showOnSheet: (onSheet) => set({ onSheet }),
  lieFrontUp: () => set(FRONT_UP),
});
