import type { StateCreator } from 'zustand';
import type { View } from './index.ts';

/** A card that is known to fit, measured with a rule; all text, as typed. */
export interface Sample {
  readonly width: string;
  readonly height: string;
  readonly thickness: string;
}

export interface SizeSlice {
  readonly sample: Sample;
  typeSample(part: keyof Sample, text: string): void;
}

export const sizeSlice: StateCreator<View, [], [], SizeSlice> = (set) => ({
  sample: { width: '', height: '', thickness: '' },
  typeSample: (part, text) => set((s) => ({ sample: { ...s.sample, [part]: text } })),
});
