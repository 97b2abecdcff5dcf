import { create } from 'zustand';

/** What was taken away, and the way back. It stays until it is answered or something else is taken away. */
export interface Notice {
  readonly text: string;
  readonly back: () => void | Promise<void>;
}

interface NoticeState {
  readonly notice: Notice | null;
  say(text: string, back: Notice['back']): void;
  close(): void;
}

export const useNotice = create<NoticeState>()((set) => ({
  notice: null,
  say: (text, back) => set({ notice: { text, back } }),
  close: () => set({ notice: null }),
}));
