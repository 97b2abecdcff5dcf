import type { StateCreator } from 'zustand';
import type { SizeSlice, View } from './types.ts';

export const sizeSlice: StateCreator<View, [], [], SizeSlice> = (set) => ({
  sample: { width: '', height: '', thickness: '' },
  typeSample: (part, text) => set((s) => ({ sample: { ...s.sample, [part]: text } })),
});
