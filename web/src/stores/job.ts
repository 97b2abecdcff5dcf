import { create } from 'zustand';
import {
  LIMITS,
  changesBack,
  decide,
  changeJob,
  cutText,
  isSame,
  mergeDocuments,
  type Clash,
  type Job,
  type JobBench,
  type JobChange,
} from '@zippy/core';
import type { Overtaken, StoredJob } from '@zippy/core/contract';
import { api, Away, Refused } from '../api/client.ts';
import { keptJobs, sendKept, takeKept } from './keptJobs.ts';
import { useNotice } from './notice.ts';
import { growingPauses } from './tryAgain.ts';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'away' | 'refused' | 'conflict';

interface JobState {
  readonly id: string | null;
  readonly job: Job | null;
  /** The job as the server last had it from here, or gave it; what is typed is a change of this. */
  readonly base: Job | null;
  readonly version: number;
  readonly past: readonly Job[];
  readonly future: readonly Job[];
  readonly save: SaveState;
  /** Why the server would not take the job as it is. */
  readonly refusal: string | null;
  readonly missing: string | null;
  /** The other copy, while the same decision stands otherwise in both, and those decisions. */
  readonly theirs: StoredJob | null;
  readonly clashes: readonly Clash[];
  readonly bench: JobBench | null;
  open(id: string): Promise<void>;
  close(): void;
  /** One step for undo; changes with the same key in a row are one step. */
  change(changes: readonly JobChange[], key?: string): void;
  /** Takes something away, and says so with the way back to just that, whatever is done in between. */
  takeAway(changes: readonly JobChange[], said: string): void;
  undo(): void;
  redo(): void;
  /** Goes on with both copies joined: theirs in the clashes that are named, mine in the others. */
  settleClashes(theirsAt: ReadonlySet<string>): void;
  /** Goes on likewise with mine in all of them; the other copy becomes a job of its own on the wall. */
  keepBoth(): Promise<void>;
  setBench(bench: JobBench | null): void;
  /** Waits until everything typed is on the server. */
  settle(): Promise<boolean>;
}

const SAVE_AFTER_MS = 350;
const pauses = growingPauses();
const MOST_STEPS = 200;

let lastKey: string | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;

/** A save that went through: what was sent, and the version it became. */
interface Sent {
  readonly job: Job;
  readonly version: number;
}
let sending: Promise<Sent | null> | null = null;
let leaving: Promise<void> = Promise.resolve();
/** Jobs that were sent and never answered: the server may have them. */
let unanswered: readonly Job[] = [];
/** Writing to the browser's own store, one thing after another. */
let keeping: Promise<void> = Promise.resolve();

export const useJob = create<JobState>()((set, get) => {
  /**
   * Makes what is kept in this browser agree with what is open: nothing once the server has it, else the
   * newest job and the version it stands on. It looks at the moment it runs, so it never writes an old job.
   */
  const keep = (id: string): Promise<void> => {
    keeping = keeping.then(async () => {
      const { id: openId, job, base, version, save } = get();
      if (openId !== id || !job) return;
      if (save === 'saved') await keptJobs.remove(id);
      else await keptJobs.set(id, { job, base: base ?? undefined, baseVersion: version, sent: unanswered });
    });
    return keeping;
  };

  const changed = (job: Job, past: readonly Job[], future: readonly Job[]): void => {
    const { id, save } = get();
    set({ job, past, future, save: save === 'conflict' ? save : 'unsaved', refusal: null });
    if (id) void keep(id);
    schedule(SAVE_AFTER_MS);
  };

  const schedule = (ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void push(), ms);
  };

  const push = (): Promise<Sent | null> => {
    sending ??= send().finally(() => {
      sending = null;
      // What was typed while it was on its way met this save instead of one of its own.
      if (get().save === 'unsaved') schedule(0);
    });
    return sending;
  };

  const send = async (): Promise<Sent | null> => {
    const { id, job, version, save } = get();
    if (!id || !job || save === 'saved' || save === 'conflict') return null;
    set({ save: 'saving' });
    // Kept with what is typed next: a reload that comes before the answer must know this for its own.
    if (unanswered.at(-1) !== job) unanswered = [...unanswered, job];
    try {
      const saved = await api.saveJob(id, version, job);
      if (get().id === id) await settled(id, job, saved.version);
      return { job, version: saved.version };
    } catch (problem) {
      if (get().id !== id) return null;
      if (problem instanceof Away) {
        set({ save: 'away', refusal: problem.said });
        schedule(pauses.next());
      } else if (problem instanceof Refused && problem.status === 409) {
        const { theirs } = problem.body as Overtaken<StoredJob>;
        takeIn(id, theirs);
      } else if (problem instanceof Refused) {
        unanswered = unanswered.filter((sent) => sent !== job);
        // Only of what still stands here: what was typed since may be just what it wants.
        if (get().job === job) set({ save: 'refused', refusal: problem.message });
      } else throw problem;
      return null;
    }
  };

  /** Joins what was saved elsewhere with what is here; only the same decision, changed twice, is asked about. */
  const takeIn = (id: string, theirs: StoredJob): void => {
    const { job, past, future } = get();
    if (!job) return;
    // An answer that was lost on the way comes back as a conflict with oneself.
    const mine = unanswered.find((sent) => isSame(sent, theirs.document));
    const base = mine ?? get().base ?? undefined;
    const { value, clashes } = mergeDocuments(base, job, theirs.document);
    if (clashes.length > 0) set({ ...(base ? { base } : {}), save: 'conflict', theirs, clashes });
    else goOn(id, theirs, value, (one) => mergeDocuments(base, one, theirs.document).value, past, future);
  };

  /** @param joined brings a step of undo up to what was saved elsewhere, so that it takes back only what was done here */
  const goOn = (
    id: string,
    theirs: StoredJob,
    job: Job,
    joined: (step: Job) => Job,
    past: readonly Job[],
    future: readonly Job[],
  ): void => {
    const saved = isSame(job, theirs.document);
    set({
      job,
      base: theirs.document,
      version: theirs.version,
      past: past.map((one) => joined(one)),
      future: future.map((one) => joined(one)),
      save: saved ? 'saved' : 'unsaved',
      theirs: null,
      clashes: [],
    });
    unanswered = [];
    void keep(id);
    if (!saved) schedule(0);
  };

  const settled = async (id: string, sent: Job, version: number): Promise<void> => {
    pauses.reset();
    unanswered = [];
    set({ version, base: sent, save: get().job === sent ? 'saved' : 'unsaved', refusal: null });
    await keep(id);
  };

  return {
    id: null,
    job: null,
    base: null,
    version: 0,
    past: [],
    future: [],
    save: 'saved',
    refusal: null,
    missing: null,
    theirs: null,
    clashes: [],
    bench: null,

    async open(id) {
      if (get().id === id && get().job) return;
      lastKey = undefined;
      clearTimeout(timer);
      await leaving;
      unanswered = [];
      set({
        id,
        job: null,
        base: null,
        past: [],
        future: [],
        save: 'saved',
        theirs: null,
        clashes: [],
        refusal: null,
        missing: null,
        bench: null,
      });
      await keeping;
      const mine = await takeKept(id);
      unanswered = mine?.sent ?? [];
      try {
        const stored = await api.job(id);
        if (get().id !== id) return;
        const { document, version, bench } = stored;
        if (!mine || isSame(mine.job, document)) set({ job: document, base: document, version, bench });
        else if (mine.baseVersion === version) {
          set({ job: mine.job, base: document, version, bench, save: 'unsaved' });
          schedule(0);
        } else {
          set({ job: mine.job, base: mine.base ?? null, version: mine.baseVersion, bench, save: 'unsaved' });
          takeIn(id, stored);
        }
        void keep(id);
      } catch (problem) {
        if (get().id !== id) return;
        if (problem instanceof Away && mine) {
          set({ job: mine.job, base: mine.base ?? null, version: mine.baseVersion, save: 'away' });
          schedule(pauses.next());
        } else set({ missing: (problem as Error).message });
      }
    },

    close() {
      clearTimeout(timer);
      const { id, job, base, version, save } = get();
      const onTheWay = sending;
      const sent = unanswered;
      set({ id: null, job: null });
      if (!id || !job || save === 'saved') return;
      // What was typed last may not have been sent yet; it is kept here and goes from here.
      keeping = keeping.then(() => keptJobs.set(id, { job, base: base ?? undefined, baseVersion: version, sent }));
      leaving = Promise.all([keeping, onTheWay]).then(async ([, saved]) => {
        if (saved) await keptJobs.set(id, { job, base: saved.job, baseVersion: saved.version });
        if (saved?.job === job) await keptJobs.remove(id);
        else if (save !== 'conflict') await sendKept(id);
      });
    },

    change(changes, key) {
      const { job, past } = get();
      if (!job) return;
      const next = changeJob(job, changes);
      const merge = key !== undefined && key === lastKey && past.length > 0;
      lastKey = key;
      changed(next, merge ? past : [...past.slice(-MOST_STEPS), job], []);
    },

    takeAway(changes, said) {
      const { id, job, change } = get();
      if (!id || !job) return;
      const back = changesBack(job, changes);
      change(changes);
      useNotice.getState().say(said, async () => {
        await get().open(id);
        get().change(back);
      });
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

    settleClashes(theirsAt) {
      const { id, job, base, theirs, past, future } = get();
      if (!id || !job || !theirs) return;
      const join = (one: Job, at?: ReadonlySet<string>): Job =>
        mergeDocuments(base ?? undefined, one, theirs.document, at).value;
      lastKey = undefined;
      // Where theirs was chosen, undo brings mine back.
      goOn(id, theirs, join(job, theirsAt), join, theirsAt.size > 0 ? [...past, job] : past, future);
    },

    async keepBoth() {
      const { theirs, settleClashes } = get();
      if (!theirs) return;
      await api.addJob(crypto.randomUUID(), otherCopy(theirs.document));
      settleClashes(new Set());
    },

    setBench: (bench) => set({ bench }),

    async settle() {
      clearTimeout(timer);
      while (get().save === 'unsaved' || get().save === 'saving') await push();
      return get().save === 'saved';
    },
  };
});

/** Sends every job that is kept here and not open, so that the wall shows what was typed last. */
export async function sendAllKept(): Promise<void> {
  await leaving;
  for (const id of await keptJobs.ids()) if (id !== useJob.getState().id) await sendKept(id);
}

const otherCopy = (job: Job): Job =>
  changeJob(job, [
    decide((job) => job.brief.title, cutText(`${job.brief.title} (other copy)`, LIMITS.brief.titleLetters)),
  ]);
