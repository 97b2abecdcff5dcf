import { create } from 'zustand';
import { notUndone, type Run, type RunEvent } from '@zippy/core';
import type { RunNow } from '@zippy/core/contract';
import { api, Away } from '../api/client.ts';
import { keptByTab } from './local.ts';
import { growingPauses } from './tryAgain.ts';

interface RunState {
  readonly run: Run | null;
  /** Not on the server yet; they are in this browser. */
  readonly unsent: readonly RunEvent[];
  readonly away: boolean;
  readonly problem: string | null;
  /** How far this device’s clock is ahead of the server’s: timers are told by the server’s. */
  readonly aheadMs: number;
  open(id: string): Promise<void>;
  /** Takes in what other devices have pressed since. */
  lookAgain(): Promise<void>;
  add(event: Pick<RunEvent, 'kind'> & Partial<RunEvent>): void;
  undo(): void;
}

const pauses = growingPauses();
/** Two tabs at one bench keep their presses apart; what a tab that is gone has left goes with whoever comes next. */
const keptRuns = keptByTab<KeptRun>('run');
let sending = false;

interface KeptRun {
  readonly run: Run;
  readonly unsent: readonly RunEvent[];
}

/** Each press at the bench is kept at once and sent as soon as it can be; sending twice counts once. */
export const useRun = create<RunState>()((set, get) => {
  const keep = async (): Promise<void> => {
    const { run, unsent } = get();
    if (run) await keptRuns.set(run.id, { run, unsent });
  };

  const push = async (): Promise<void> => {
    if (sending) return;
    sending = true;
    try {
      for (let event = get().unsent[0]; event; event = get().unsent[0]) {
        const { run } = get();
        if (!run) return;
        await api.addRunEvent(run.id, event);
        pauses.reset();
        set((s) => ({ unsent: s.unsent.slice(1), away: false, problem: null }));
        await keep();
      }
    } catch (problem) {
      const away = problem instanceof Away;
      set({ away, problem: away ? problem.said : (problem as Error).message });
      setTimeout(() => void push(), pauses.next());
    } finally {
      sending = false;
    }
  };

  return {
    run: null,
    unsent: [],
    away: false,
    problem: null,
    aheadMs: 0,

    async open(id) {
      set({ run: null, unsent: [], away: false, problem: null });
      const mine = merged(await keptRuns.takeAll(id));
      try {
        const run = await api.run(id);
        const known = new Set(run.events.map((event) => event.id));
        const unsent = (mine?.unsent ?? []).filter((event) => !known.has(event.id));
        set({ run: { ...run, events: [...run.events, ...unsent] }, unsent, aheadMs: aheadOf(run) });
      } catch (problem) {
        if (problem instanceof Away && mine) set({ run: mine.run, unsent: mine.unsent, away: true });
        else return set({ problem: (problem as Error).message });
      }
      await keep();
      void push();
    },

    async lookAgain() {
      const { run } = get();
      if (!run) return;
      try {
        const theirs = await api.run(run.id);
        const mine = get().run;
        if (mine?.id !== theirs.id) return;
        // What was pressed here while the answer was on its way is not in it.
        const known = new Set(theirs.events.map(({ id }) => id));
        const events = [...theirs.events, ...mine.events.filter(({ id }) => !known.has(id))].sort(byMoment);
        const finishedAt = theirs.finishedAt ?? mine.finishedAt;
        set({ aheadMs: aheadOf(theirs), away: get().unsent.length > 0 && get().away });
        if (get().unsent.length > 0) void push();
        if (events.length === mine.events.length && finishedAt === mine.finishedAt) return;
        set({ run: { ...mine, events, finishedAt } });
        await keep();
      } catch (problem) {
        // What is pressed here is kept all the same.
        if (problem instanceof Away) set({ away: true });
        else set({ problem: (problem as Error).message });
      }
    },

    add(part) {
      const { run, aheadMs } = get();
      if (!run) return;
      const event: RunEvent = {
        id: crypto.randomUUID(),
        cards: 1,
        cause: null,
        stepId: null,
        undoes: null,
        at: new Date(Date.now() - aheadMs).toISOString(),
        ...part,
      };
      set((s) => ({
        run: {
          ...run,
          events: [...run.events, event],
          finishedAt: event.kind === 'finish' ? event.at : run.finishedAt,
        },
        unsent: [...s.unsent, event],
      }));
      void keep();
      void push();
    },

    undo() {
      const { run, add } = get();
      const last = run && notUndone(run.events).at(-1);
      if (last && last.kind !== 'finish') add({ kind: 'undo', undoes: last.id });
    },
  };
});

const aheadOf = ({ now }: Partial<RunNow>): number => (now ? Date.now() - Date.parse(now) : 0);

const byMoment = (a: RunEvent, b: RunEvent): number =>
  (a.at ?? '').localeCompare(b.at ?? '') || a.id.localeCompare(b.id);

/** Presses of several tabs at one run, each once, in the order they were made. */
function merged(tabs: readonly KeptRun[]): KeptRun | undefined {
  const [first] = tabs;
  if (!first) return undefined;
  const unsent = new Map(tabs.flatMap((tab) => tab.unsent).map((event) => [event.id, event]));
  const known = new Set(first.run.events.map(({ id }) => id));
  const others = [...unsent.values()].filter(({ id }) => !known.has(id));
  return {
    run: { ...first.run, events: [...first.run.events, ...others] },
    unsent: [...unsent.values()].sort((a, b) => (a.at ?? '').localeCompare(b.at ?? '')),
  };
}

/**
 * Sends presses that are kept here of runs that are not open, whatever page is looked at.
 * @returns true when none are left
 */
export async function sendKeptRuns(): Promise<boolean> {
  let all = true;
  for (const id of await keptRuns.ids()) {
    if (id === useRun.getState().run?.id) continue;
    const mine = merged(await keptRuns.takeAll(id));
    if (!mine) continue;
    let unsent = mine.unsent;
    try {
      for (const event of mine.unsent) {
        await api.addRunEvent(id, event);
        unsent = unsent.filter((one) => one !== event);
      }
    } catch {
      all = false;
    }
    if (unsent.length > 0) await keptRuns.set(id, { run: mine.run, unsent });
    else await keptRuns.remove(id);
  }
  return all;
}
