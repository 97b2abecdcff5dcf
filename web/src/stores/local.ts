import { createStore, del, get, keys, set } from 'idb-keyval';

const store = createStore('zippy-crease', 'kept');

/** Work that has not reached the server yet, kept in this browser under a name. */
export const kept = {
  get: <T>(name: string): Promise<T | undefined> => get<T>(name, store),
  set: (name: string, value: unknown): Promise<void> => set(name, value, store),
  remove: (name: string): Promise<void> => del(name, store),
  names: async (): Promise<readonly string[]> => (await keys<string>(store)).map(String),
};
