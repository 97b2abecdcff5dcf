import type { StateCreator } from 'zustand';
import type { ArtSlice, View } from './types.ts';

export const artSlice: StateCreator<View, [], [], ArtSlice> = (set) => ({
  ...{ face: 'front', itemIds: [] },
  pickFace: (face, itemIds = []) => set({ face, itemIds }),
  pickItems: (itemIds) => set({ itemIds }),
});
