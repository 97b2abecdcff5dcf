import { createStore, del, get, keys, set, type UseStore } from 'idb-keyval';
import { keptUnder } from '../api/studio.ts';

let opened: UseStore | null = null;
/** Opened when it is first asked for, which is not before the page knows its studio. */
const store = (): UseStore => (opened ??= createStore(keptUnder('zippy-crease'), 'kept'));

/** Work that has not reached the server yet, kept in this browser under a name. */
export const kept = {
  get: <T>(name: string): Promise<T | undefined> => get<T>(name, store()),
  set: (name: string, value: unknown): Promise<void> => set(name, value, store()),
  remove: (name: string): Promise<void> => del(name, store()),
  names: async (): Promise<readonly string[]> => (await keys<string>(store())).map(String),
};

const TAB = 'zippy-tab';
const lockOf = (tab: string): string => `${TAB}:${tab}`;

/**
 * This tab's own name. It survives a reload, and a lock under it is held for as long as the page lives, so
 * that other tabs can tell work in hand from work left behind. A copied tab finds the lock taken and takes
 * another name.
 */
const tabName: Promise<string> = (async () => {
  const memory = globalThis.sessionStorage as Storage | undefined;
  const locks = globalThis.navigator?.locks as LockManager | undefined;
  for (let name = memory?.getItem(TAB) ?? crypto.randomUUID(); ; name = crypto.randomUUID()) {
    const free =
      !locks ||
      (await new Promise<boolean>((decided) => {
        void locks.request(lockOf(name), { ifAvailable: true }, (lock) => {
          decided(lock !== null);
          return lock ? new Promise(() => {}) : undefined;
        });
      }));
    if (!free) continue;
    memory?.setItem(TAB, name);
    return name;
  }
})();

/** Names under which other, living tabs keep their work; those are theirs to send. */
async function livingTabs(): Promise<ReadonlySet<string>> {
  const locks = globalThis.navigator?.locks as LockManager | undefined;
  const held = (await locks?.query())?.held ?? [];
  return new Set(held.map((lock) => lock.name ?? ''));
}

/** What one tab keeps of several things of a kind, each under its id. */
export function keptByTab<T>(kind: string): {
  readonly set: (id: string, value: T) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
  /** This tab's own, or what a tab that is gone has left behind, which becomes this tab's. */
  readonly take: (id: string) => Promise<T | undefined>;
  /** This tab's own first, then all that gone tabs have left, which is nobody's any more: to be set again as one. */
  readonly takeAll: (id: string) => Promise<readonly T[]>;
  /** Ids of all that this tab may send: its own, and what gone tabs have left. */
  readonly ids: () => Promise<readonly string[]>;
} {
  const own = async (id: string): Promise<string> => `${kind}:${id}:${await tabName}`;
  const open = async (): Promise<readonly { readonly name: string; readonly id: string; readonly tab: string }[]> => {
    const [living, mine] = [await livingTabs(), await tabName];
    return (await kept.names()).flatMap((name) => {
      const [what, id, tab] = name.split(':');
      const theirs = tab !== mine && living.has(lockOf(tab ?? ''));
      return what === kind && id && tab && !theirs ? [{ name, id, tab }] : [];
    });
  };
  return {
    set: async (id, value) => kept.set(await own(id), value),
    remove: async (id) => kept.remove(await own(id)),
    take: async (id) => {
      const mine = await kept.get<T>(await own(id));
      if (mine !== undefined) return mine;
      const left = (await open()).find((entry) => entry.id === id);
      if (!left) return undefined;
      const value = await kept.get<T>(left.name);
      if (value === undefined) return undefined;
      await kept.set(await own(id), value);
      await kept.remove(left.name);
      return value;
    },
    takeAll: async (id) => {
      const mine = await tabName;
      const entries = (await open()).filter((entry) => entry.id === id);
      const ordered = [...entries].sort((a, b) => Number(b.tab === mine) - Number(a.tab === mine));
      const values = await Promise.all(ordered.map(({ name }) => kept.get<T>(name)));
      await Promise.all(ordered.filter(({ tab }) => tab !== mine).map(({ name }) => kept.remove(name)));
      return values.filter((value) => value !== undefined);
    },
    ids: async () => [...new Set((await open()).map((entry) => entry.id))],
  };
}
