import { create } from 'zustand';
import type { OwnTypefaceRow } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { addTypeface } from '../api/upload.ts';
import { typefacesChanged } from '../workers/planner.ts';

interface TypefacesState {
  /** The maker’s own, by name; null until they are known. */
  readonly own: readonly OwnTypefaceRow[] | null;
  /** Asks for them. Without the server nothing is said: it is asked again with the next look. */
  load(): Promise<void>;
  /** @throws Refused with the sentence why it cannot be used */
  bring(file: File, onShare: (share: number) => void): Promise<OwnTypefaceRow>;
  takeOut(one: OwnTypefaceRow): Promise<void>;
}

export const useTypefaces = create<TypefacesState>()((set, get) => ({
  own: null,
  load: () =>
    api.typefaces().then(
      (own) => set({ own }),
      () => undefined,
    ),
  bring: async (file, onShare) => {
    const brought = await addTypeface(file, onShare);
    typefacesChanged();
    await get().load();
    return brought;
  },
  takeOut: async ({ sha256 }) => {
    await api.removeTypeface(sha256);
    typefacesChanged();
    await get().load();
  },
}));
