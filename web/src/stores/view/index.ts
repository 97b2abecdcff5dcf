import { create } from 'zustand';
import { artSlice, type ArtSlice } from './art.ts';
import { benchSlice, type BenchSlice } from './bench.ts';
import { cutSlice, type CutSlice } from './cut.ts';
import { foldedSlice, type FoldedSlice } from './folded.ts';
import { runSlice, type RunSlice } from './run.ts';
import { sizeSlice, type SizeSlice } from './size.ts';

/** How things are being looked at: nothing here is part of a job. A slice for the bench, and one for each station’s own. */
export type View = BenchSlice &
  FoldedSlice &
  ArtSlice &
  RunSlice &
  CutSlice &
  SizeSlice & {
    /** As a job is opened: front up, unfolded, its front in hand, nothing checked off. */
    openJob(): void;
  };

export const useView = create<View>()((...store) => {
  const [set] = store;
  return {
    ...benchSlice(...store),
    ...foldedSlice(...store),
    ...artSlice(...store),
    ...runSlice(...store),
    ...cutSlice(...store),
    ...sizeSlice(...store),
    openJob: () =>
      set({
        ...{ face: 'front', itemIds: [], card: 0, sheetNumber: 1 },
        ...{ folded: false, side: 'outside', light: false, cutsDone: [] },
      }),
  };
});
