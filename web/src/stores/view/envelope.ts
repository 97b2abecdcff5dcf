import type { StateCreator } from 'zustand';
import type { EnvelopeSlice, View } from './types.ts';

export const envelopeSlice: StateCreator<View, [], [], EnvelopeSlice> = (set) => ({
  comparing: false,
  compare: (comparing) => set({ comparing }),
});
