import { create } from 'zustand';
import type { Workshop } from '@zippy/core';
import { api, Refused } from '../api/client.ts';

interface WorkshopState {
  readonly workshop: Workshop | null;
  readonly version: number;
  readonly problem: string | null;
  load(): Promise<void>;
  change(workshop: Workshop): Promise<void>;
  toggleUnit(): void;
}

const TRY_AGAIN_MS = 1500;

export const useWorkshop = create<WorkshopState>()((set, get) => ({
  workshop: null,
  version: 0,
  problem: null,

  async load() {
    try {
      set({ ...(await api.workshop()), problem: null });
    } catch (problem) {
      if (get().workshop === null) set({ problem: (problem as Error).message });
      setTimeout(() => void get().load(), TRY_AGAIN_MS);
    }
  },

  async change(workshop) {
    const before = get();
    set({ workshop, problem: null });
    try {
      const { version } = await api.saveWorkshop(before.version, workshop);
      set({ version });
    } catch (problem) {
      // The page keeps what was typed; it says that the server has not taken it.
      set({ problem: (problem as Error).message });
      if (problem instanceof Refused && problem.status === 409) {
        const { theirs } = problem.body as { theirs: { version: number } };
        set({ version: theirs.version });
      }
    }
  },

  toggleUnit() {
    const { workshop, change } = get();
    if (workshop) void change({ ...workshop, unit: workshop.unit === 'mm' ? 'in' : 'mm' });
  },
}));
