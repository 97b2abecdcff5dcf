import type { StateCreator } from 'zustand';
import type { PaperSide } from '@zippy/core';
import type { View } from './index.ts';

/** How whatever lies on the bench is looked at, at any station. */
export interface BenchSlice {
  readonly side: PaperSide;
  /** Front and back together, as held to the light. */
  readonly light: boolean;
  /** 1 fits the bench. */
  readonly zoom: number;
  /** Of a list of moves, counted from nought. */
  readonly step: number;
  /** The sheet it lies on, instead of the piece alone. */
  readonly onSheet: boolean;
  turnOver(): void;
  toggleLight(): void;
  zoomTo(zoom: number): void;
  goToStep(step: number): void;
  showOnSheet(onSheet: boolean): void;
  /** Front up, not held to the light, fitting the bench: how a page begins. */
  lieFrontUp(): void;
}

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
