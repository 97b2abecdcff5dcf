import { create } from 'zustand';
import type { Workshop } from '@zippy/core';
import { api, Away, Refused } from '../api/client.ts';
import { kept } from './local.ts';
import { useNotice } from './notice.ts';
import { growingPauses } from './tryAgain.ts';

interface WorkshopState {
  readonly workshop: Workshop | null;
  readonly version: number;
  readonly problem: string | null;
  load(): Promise<void>;
  change(workshop: Workshop): Promise<void>;
  /** Takes one thing off its shelf, and says so with the way back. */
  takeAway<K extends 'stocks' | 'envelopes'>(shelf: K, thing: Workshop[K][number]): void;
  toggleUnit(): void;
}

interface KeptWorkshop {
  readonly workshop: Workshop;
  readonly baseVersion: number;
}

const pauses = growingPauses();
/** Saves go one after another, so that two quick changes never race each other for a version. */
let line: Promise<void> = Promise.resolve();
const KEPT = 'workshop';

/** What the maker owns. Like a job, a change is kept in this browser until the server has it. */
export const useWorkshop = create<WorkshopState>()((set, get) => {
  const send = async (): Promise<void> => {
    const { workshop, version } = get();
    if (!workshop) return;
    try {
      const saved = await api.saveWorkshop(version, workshop);
      pauses.reset();
      set({ version: saved.version, problem: null });
      if (get().workshop === workshop) await kept.remove(KEPT);
    } catch (problem) {
      set({ problem: (problem as Error).message });
      if (problem instanceof Away) setTimeout(() => void queue(), pauses.next());
      else if (problem instanceof Refused && problem.status === 409) {
        // Somebody else changed it: theirs is shown, and the sentence says to make the change once more.
        const { theirs } = problem.body as { theirs: { workshop: Workshop; version: number } };
        await kept.remove(KEPT);
        set(theirs);
      } else if (!(problem instanceof Refused)) throw problem;
    }
  };

  /** One after another; what went wrong with one is its own, and the next is sent all the same. */
  const queue = (): Promise<void> => {
    const sent = line.then(send);
    line = sent.catch(() => undefined);
    return sent;
  };

  return {
    workshop: null,
    version: 0,
    problem: null,

    async load() {
      try {
        const stored = await api.workshop();
        const mine = await kept.get<KeptWorkshop>(KEPT);
        if (mine?.baseVersion === stored.version) {
          set({
            workshop: { ...mine.workshop, spoilLog: stored.workshop.spoilLog },
            version: stored.version,
            problem: null,
          });
          await queue();
        } else set({ ...stored, problem: null });
      } catch (problem) {
        if (get().workshop === null) set({ problem: (problem as Error).message });
        setTimeout(() => void get().load(), pauses.next());
      }
    },

    async change(workshop) {
      set({ workshop });
      await kept.set(KEPT, { workshop, baseVersion: get().version } satisfies KeptWorkshop);
      await queue();
    },

    takeAway(shelf, thing) {
      const { workshop, change } = get();
      if (!workshop) return;
      const at = workshop[shelf].findIndex(({ id }) => id === thing.id);
      void change({ ...workshop, [shelf]: workshop[shelf].filter(({ id }) => id !== thing.id) });
      useNotice.getState().say(`${thing.name} is off the shelf.`, async () => {
        const now = get().workshop!;
        await change({ ...now, [shelf]: [...now[shelf].slice(0, at), thing, ...now[shelf].slice(at)] });
      });
    },

    toggleUnit() {
      const { workshop, change } = get();
      if (workshop) void change({ ...workshop, unit: workshop.unit === 'mm' ? 'in' : 'mm' });
    },
  };
});
