import type { StateCreator } from 'zustand';
import type { View } from './index.ts';

/** Which face is in hand at Art, and what on it. */
export interface ArtSlice {
  readonly face: string;
  /** Words and objects that are picked out, in the order they were. */
  readonly itemIds: readonly string[];
  /** Another face, with these things on it picked out. */
  pickFace(face: string, itemIds?: readonly string[]): void;
  pickItems(itemIds: readonly string[]): void;
}

export const artSlice: StateCreator<View, [], [], ArtSlice> = (set) => ({
  ...{ face: 'front', itemIds: [] },
  pickFace: (face, itemIds = []) => set({ face, itemIds }),
  pickItems: (itemIds) => set({ itemIds }),
});
