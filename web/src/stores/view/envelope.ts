import type { StateCreator } from 'zustand';
import type { EnvelopeSlice, View } from './types.ts';

export const envelopeSlice: StateCreator<View, [], [], EnvelopeSlice> = (set) => ({
  shows: 'blank',
  show: (shows) => set({ shows }),
});
