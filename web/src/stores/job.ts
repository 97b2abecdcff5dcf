import { create } from 'zustand';
import { changeJob, type Job, type JobBench, type JobChange } from '@zippy/core';
import { api, Away, Refused, type StoredJob } from '../api/client.ts';
import { kept } from './local.ts';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'away' | 'refused' | 'conflict';

interface KeptJob {
  readonly job: Job;
  readonly baseVersion: number;
}

interface JobState {
  readonly id: string | null;
  readonly job: Job | null;
  readonly version: number;
  readonly past: readonly Job[];
  readonly future: readonly Job[];
  readonly save: SaveState;
  /** Why the server would not take the job as it is. */
  readonly refusal: string | null;
  readonly missing: string | null;
  /** The other copy, when two were changed at once. */
  readonly theirs: StoredJob | null;
  readonly bench: JobBench | null;
  open(id: string): Promise<void>;
  close(): void;
  /** One step for undo; changes with the same key in a row are one step. */
  change(changes: readonly JobChange[], key?: string): void;
  undo(): void;
  redo(): void;
  keepMine(): Promise<void>;
  takeTheirs(): Promise<void>;
  setBench(bench: JobBench | null): void;
  /** Waits until everything typed is on the server. */
  settle(): Promise<boolean>;
}

const SAVE_AFTER_MS = 350;
const TRY_AGAIN_MS = 1500;
const MOST_STEPS = 200;
const keptName = (id: string): string => `job:${id}`;

let lastKey: string | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
let sending: Promise<void> | null = null;
let leaving: Promise<void> = Promise.resolve();

export const useJob = create<JobState>()((set, get) => {
  /** Every change is kept in this browser first; it leaves again when the server has it. */
  const changed = (job: Job, past: readonly Job[], future: readonly Job[]): void => {
    const { id, version, save } = get();
    set({ job, past, future, save: save === 'conflict' ? save : 'unsaved', refusal: null });
    if (id) void kept.set(keptName(id), { job, baseVersion: version } satisfies KeptJob);
    schedule(SAVE_AFTER_MS);
  };

  const schedule = (ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void push(), ms);
  };

  const push = (): Promise<void> => {
    sending ??= send().finally(() => {
      sending = null;
    });
    return sending;
  };

  const send = async (): Promise<void> => {
    const { id, job, version, save } = get();
    if (!id || !job || save === 'saved' || save === 'conflict') return;
    set({ save: 'saving' });
    try {
      const saved = await api.saveJob(id, version, job);
      await rebase(id, version, job, saved.version);
      if (get().id !== id) return;
      const same = get().job === job;
      set({ version: saved.version, save: same ? 'saved' : 'unsaved' });
      if (!same) schedule(0);
    } catch (problem) {
      if (get().id !== id) return;
      if (problem instanceof Away) {
        set({ save: 'away' });
        schedule(TRY_AGAIN_MS);
      } else if (problem instanceof Refused && problem.status === 409)
        set({ save: 'conflict', theirs: (problem.body as { theirs: StoredJob }).theirs });
      else if (problem instanceof Refused) set({ save: 'refused', refusal: problem.message });
      else throw problem;
    }
  };

  return {
    id: null,
    job: null,
    version: 0,
    past: [],
    future: [],
    save: 'saved',
    refusal: null,
    missing: null,
    theirs: null,
    bench: null,

    async open(id) {
      if (get().id === id && get().job) return;
      lastKey = undefined;
      clearTimeout(timer);
      await leaving;
      set({
        id,
        job: null,
        past: [],
        future: [],
        save: 'saved',
        theirs: null,
        refusal: null,
        missing: null,
        bench: null,
      });
      const mine = await kept.get<KeptJob>(keptName(id));
      try {
        const stored = await api.job(id);
        if (get().id !== id) return;
        if (!mine) set({ job: stored.document, version: stored.version, bench: stored.bench });
        else if (mine.baseVersion === stored.version) {
          set({ job: mine.job, version: stored.version, bench: stored.bench, save: 'unsaved' });
          schedule(0);
        } else set({ job: mine.job, version: mine.baseVersion, bench: stored.bench, save: 'conflict', theirs: stored });
      } catch (problem) {
        if (get().id !== id) return;
        if (problem instanceof Away && mine) {
          set({ job: mine.job, version: mine.baseVersion, save: 'away' });
          schedule(TRY_AGAIN_MS);
        } else set({ missing: (problem as Error).message });
      }
    },

    close() {
      clearTimeout(timer);
      const { id, save } = get();
      set({ id: null, job: null });
      // What was typed last may not have been sent yet; it is in this browser, and goes from there.
      if (id && save !== 'saved') leaving = (sending ?? Promise.resolve()).then(() => sendKept(id));
    },

    change(changes, key) {
      const { job, past } = get();
      if (!job) return;
      const next = changeJob(job, changes);
      const merge = key !== undefined && key === lastKey && past.length > 0;
      lastKey = key;
      changed(next, merge ? past : [...past.slice(-MOST_STEPS), job], []);
    },

    undo() {
      const { job, past, future } = get();
      const previous = past.at(-1);
      if (!job || !previous) return;
      lastKey = undefined;
      changed(previous, past.slice(0, -1), [job, ...future]);
    },

    redo() {
      const { job, past, future } = get();
      const [next, ...rest] = future;
      if (!job || !next) return;
      lastKey = undefined;
      changed(next, [...past, job], rest);
    },

    // Whichever copy is chosen, the other becomes a job of its own on the wall.
    async keepMine() {
      const { id, job, theirs } = get();
      if (!id || !job || !theirs) return;
      await api.addJob(crypto.randomUUID(), otherCopy(theirs.document));
      set({ version: theirs.version, theirs: null, save: 'unsaved' });
      schedule(0);
    },

    async takeTheirs() {
      const { id, job, theirs, past } = get();
      if (!id || !job || !theirs) return;
      await api.addJob(crypto.randomUUID(), otherCopy(job));
      await kept.remove(keptName(id));
      set({
        job: theirs.document,
        version: theirs.version,
        past: [...past, job],
        future: [],
        theirs: null,
        save: 'saved',
      });
    },

    setBench: (bench) => set({ bench }),

    async settle() {
      clearTimeout(timer);
      while (get().save === 'unsaved' || get().save === 'saving') await push();
      return get().save === 'saved';
    },
  };
});

/** After a save: what is kept here is sent and done with, or now stands on the new version. */
async function rebase(id: string, from: number, sent: Job, to: number): Promise<void> {
  const mine = await kept.get<KeptJob>(keptName(id));
  if (!mine || mine.baseVersion !== from) return;
  if (JSON.stringify(mine.job) === JSON.stringify(sent)) await kept.remove(keptName(id));
  else await kept.set(keptName(id), { job: mine.job, baseVersion: to } satisfies KeptJob);
}

/** Sends one job that is kept here; when it cannot go now, it stays and is settled when the job is opened. */
async function sendKept(id: string): Promise<void> {
  const mine = await kept.get<KeptJob>(keptName(id));
  if (!mine) return;
  try {
    const { version } = await api.saveJob(id, mine.baseVersion, mine.job);
    await rebase(id, mine.baseVersion, mine.job, version);
  } catch (problem) {
    if (!(problem instanceof Away) && !(problem instanceof Refused)) throw problem;
  }
}

/** Sends every job that is kept here and not open, so that the wall shows what was typed last. */
export async function sendAllKept(): Promise<void> {
  await leaving;
  const prefix = keptName('');
  for (const name of await kept.names())
    if (name.startsWith(prefix) && name !== keptName(useJob.getState().id ?? ''))
      await sendKept(name.slice(prefix.length));
}

const otherCopy = (job: Job): Job =>
  changeJob(job, [{ path: ['brief', 'title'], value: `${job.brief.title} (other copy)`.slice(0, 120) }]);
