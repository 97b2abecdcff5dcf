import { create } from 'zustand';
import { isSame, mergeDocuments, type Clash, type Shelf, type Workshop } from '@zippy/core';
import type { Overtaken, VersionedWorkshop } from '@zippy/core/contract';
import { api, Away, Refused } from '../api/client.ts';
import { keptByTab } from './local.ts';
import { useNotice } from './notice.ts';
import { growingPauses } from './tryAgain.ts';

interface WorkshopState {
  readonly workshop: Workshop | null;
  /** As the server last had it from here, or gave it; what is here is a change of this. */
  readonly base: Workshop | undefined;
  readonly version: number;
  readonly problem: string | null;
  /** The other copy, while the same thing stands otherwise in both, and those things. */
  readonly theirs: VersionedWorkshop | null;
  readonly clashes: readonly Clash[];
  load(): Promise<void>;
  change(workshop: Workshop): Promise<void>;
  /** Goes on with both copies joined: theirs in the clashes that are named, mine in the others. */
  settleClashes(theirsAt: ReadonlySet<string>): Promise<void>;
  /** Puts a new thing beside the others of its kind. @returns the id that it got */
  add<K extends Shelf>(shelf: K, begun: Omit<Workshop[K][number], 'id'>): string;
  /** Changes a part of one thing. */
  alter<K extends Shelf>(shelf: K, id: string, part: Partial<Workshop[K][number]>): void;
  /** Takes one thing out of the workshop, and says so with the way back. */
  takeAway(shelf: Shelf, thing: { readonly id: string; readonly name: string }): void;
  toggleUnit(): void;
  /** Asks what the bench has told since, of which nothing is typed. */
  recount(): Promise<void>;
}

interface KeptWorkshop {
  readonly workshop: Workshop;
  readonly base: Workshop | undefined;
  readonly baseVersion: number;
  /** What was sent of it and not answered before the page was gone: the server may have any of these. */
  readonly sent?: readonly Workshop[];
}

const pauses = growingPauses();
/** Saves go one after another, so that two quick changes never race each other for a version. */
let line: Promise<void> = Promise.resolve();
/** Sent and never answered: the server may have them. */
let unanswered: readonly Workshop[] = [];
const keptWorkshops = keptByTab<KeptWorkshop>('workshop');
/** There is one workshop; tabs keep their changes of it apart. */
const OWN = 'own';

/** What the maker owns. Like a job, a change is kept in this browser until the server has it. */
export const useWorkshop = create<WorkshopState>()((set, get) => {
  const keep = async (): Promise<void> => {
    const { workshop, base, version } = get();
    if (workshop && !(base && isSame(workshop, base)))
      await keptWorkshops.set(OWN, { workshop, base, baseVersion: version, sent: unanswered });
    else await keptWorkshops.remove(OWN);
  };

  const send = async (): Promise<void> => {
    const { workshop, base, version, clashes } = get();
    // What is asked about is answered first.
    if (!workshop || clashes.length > 0) return;
    if (base && isSame(workshop, base)) return set({ problem: null });
    // Kept with what is changed next: a reload that comes before the answer must know this for its own.
    if (unanswered.at(-1) !== workshop) unanswered = [...unanswered, workshop];
    try {
      const saved = await api.saveWorkshop(version, workshop);
      pauses.reset();
      unanswered = [];
      set({ base: workshop, version: saved.version, problem: null });
      await keep();
    } catch (problem) {
      set({ problem: (problem as Error).message });
      if (problem instanceof Away) {
        setTimeout(() => void queue(), pauses.next());
      } else if (problem instanceof Refused && problem.status === 409) {
        await takeIn((problem.body as Overtaken<VersionedWorkshop>).theirs);
        await send();
      } else if (!(problem instanceof Refused)) throw problem;
    }
  };

  /** Joins what was saved elsewhere with what is here; only the same thing, changed twice, is asked about. */
  const takeIn = async (theirs: VersionedWorkshop, theirsAt?: ReadonlySet<string>): Promise<void> => {
    const { workshop } = get();
    if (!workshop) return;
    const stored = ({ spoilLog: _counted, ...rest }: Workshop): object => rest;
    const mine = unanswered.find((sent) => isSame(stored(sent), stored(theirs.workshop)));
    const base = mine ?? get().base;
    const { value, clashes } = mergeDocuments(base, workshop, theirs.workshop, theirsAt);
    if (clashes.length > 0 && !theirsAt) return set({ base, theirs, clashes, problem: null });
    unanswered = [];
    // What was counted is the server’s to say.
    const joined = { ...value, spoilLog: theirs.workshop.spoilLog };
    set({ workshop: joined, base: theirs.workshop, version: theirs.version, theirs: null, clashes: [], problem: null });
    await keep();
  };

  /** One after another; what went wrong with one is its own, and the next is sent all the same. */
  const queue = (work: () => Promise<void> = send): Promise<void> => {
    const sent = line.then(work);
    line = sent.catch(() => undefined);
    return sent;
  };

  /** Takes up what this tab, or tabs that are gone, had not sent yet; one after another, each joined with the rest. */
  const takeUpKept = async (): Promise<void> => {
    for (let mine = await keptWorkshops.take(OWN); mine; mine = await keptWorkshops.take(OWN)) {
      const { workshop, version } = get();
      set({ workshop: mine.workshop, base: mine.base, version: mine.baseVersion });
      unanswered = mine.sent ?? [];
      await takeIn({ workshop: workshop!, version });
      await send();
      // It stays kept until it is answered, or the server is back.
      if (!isSame(get().workshop, get().base)) return;
    }
  };

  return {
    workshop: null,
    base: undefined,
    version: 0,
    problem: null,
    theirs: null,
    clashes: [],

    async load() {
      try {
        const stored = await api.workshop();
        set({ ...stored, base: stored.workshop, theirs: null, clashes: [], problem: null });
        await queue(takeUpKept);
      } catch (problem) {
        if (get().workshop === null) set({ problem: (problem as Error).message });
        setTimeout(() => void get().load(), pauses.next());
      }
    },

    async change(workshop) {
      set({ workshop });
      await keep();
      await queue();
    },

    async settleClashes(theirsAt) {
      const { theirs } = get();
      if (!theirs) return;
      await takeIn(theirs, theirsAt);
      await queue();
    },

    add(shelf, begun) {
      const { workshop, change } = get();
      const id = crypto.randomUUID().slice(0, 8);
      void change({ ...workshop!, [shelf]: [...workshop![shelf], { id, ...begun }] });
      return id;
    },

    alter(shelf, id, part) {
      const { workshop, change } = get();
      const things: readonly { readonly id: string }[] = workshop![shelf];
      void change({ ...workshop!, [shelf]: things.map((thing) => (thing.id === id ? { ...thing, ...part } : thing)) });
    },

    takeAway(shelf, thing) {
      const { workshop, change } = get();
      if (!workshop) return;
      const things: readonly { readonly id: string }[] = workshop[shelf];
      const at = things.findIndex(({ id }) => id === thing.id);
      const taken = things[at];
      void change({ ...workshop, [shelf]: things.filter(({ id }) => id !== thing.id) });
      useNotice.getState().say(`${thing.name} is out of the workshop.`, async () => {
        const now = get().workshop!;
        await change({ ...now, [shelf]: [...now[shelf].slice(0, at), taken, ...now[shelf].slice(at)] });
      });
    },

    async recount() {
      try {
        const { spoilLog } = (await api.workshop()).workshop;
        const { workshop, base } = get();
        if (workshop) set({ workshop: { ...workshop, spoilLog }, base: base && { ...base, spoilLog } });
      } catch {
        // Away, or busy: it is asked again as the page is opened the next time.
      }
    },

    toggleUnit() {
      const { workshop, change } = get();
      if (workshop) void change({ ...workshop, unit: workshop.unit === 'mm' ? 'in' : 'mm' });
    },
  };
});
