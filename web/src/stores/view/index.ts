import { create } from 'zustand';
import { artSlice } from './art.ts';
import { benchSlice } from './bench.ts';
import { cutSlice } from './cut.ts';
import { envelopeSlice } from './envelope.ts';
import { foldedSlice } from './folded.ts';
import { runSlice } from './run.ts';
import { sizeSlice } from './size.ts';
import type { View } from './types.ts';

export type { View } from './types.ts';

export const useView = create<View>()((...store) => {
  const [set] = store;
  return {
    ...benchSlice(...store),
    ...foldedSlice(...store),
    ...artSlice(...store),
    ...runSlice(...store),
    ...cutSlice(...store),
    ...sizeSlice(...store),
    ...envelopeSlice(...store),
    openJob: () =>
      set({
        ...{ face: 'front', itemIds: [], card: 0, sheetNumber: 1, atMake: 'steps', shows: 'blank' },
        ...{ folded: false, side: 'outside', light: false, cutsDone: [] },
      }),
  };
});
