import type { Job } from './types.ts';

declare const holds: unique symbol;
declare const decided: unique symbol;

/** A place that holds a T. */
export interface Held<T> {
  readonly [holds]: T;
}

/**
 * A place in a job and the places within it, by the names of the job’s own fields, so that a field that is renamed or
 * holds something else no longer compiles here. What is kept under an id or in a row is at(id), at(index).
 */
export type Place<T> = Held<Exclude<T, undefined>> & Within<NonNullable<T>>;
export type JobPlace = Place<Job>;

type Leaf = string | number | boolean;
type Within<T> = [T] extends [Leaf]
  ? unknown
  : [T] extends [readonly (infer Item)[]]
    ? { at(index: number): Place<Item> }
    : string extends keyof T
      ? { at(id: string): Place<T[keyof T]> }
      : { readonly [K in FieldOf<T>]-?: Place<HeldUnder<T, K>> };
/** Fields of any kind of it, where there are several kinds. */
type FieldOf<T> = T extends unknown ? keyof T & string : never;
type HeldUnder<T, K extends string> = T extends { readonly [P in K]?: infer V } ? V : never;

/** Sets one place in a job, named from the top; plain data, made by decide() alone. */
export interface JobChange {
  readonly path: readonly string[];
  readonly value: unknown;
  readonly [decided]: true;
}

/**
 * A change to one decision: decide((job) => job.size.bleedMm, 3).
 * @param where the place, read off a stand-in of a job
 * @param value what it will hold
 */
export const decide = <T>(where: (job: JobPlace) => Held<T>, value: NoInfer<T>): JobChange =>
  ({ path: pathOf(where), value }) as unknown as JobChange;

/** Names of the fields, ids and rows on the way to a place, from the top of a job. */
export function pathOf(where: (job: JobPlace) => Held<unknown>): readonly string[] {
  const path: string[] = [];
  way = path;
  where(walker as JobPlace);
  return path;
}

/**
 * The way of the walk that is on. One walker for all, since a plan offers hundreds of changes and a stand-in for each
 * step of each cost it a third of its time; a walk is over before the next begins.
 */
let way: string[] = [];

/** Walks wherever it is asked to and notes the way; calling it is at(key), which is a step of its own. */
const walker: unknown = new Proxy(() => undefined, {
  get: (_, name) => {
    if (typeof name === 'string') way.push(name);
    return walker;
  },
  apply: (_, __, [key]: [string | number]) => {
    way[way.length - 1] = String(key);
    return walker;
  },
});

/** A change for each field that is given: decideEach((job) => job.size, { bleedMm: 3, safeMm: 4 }). */
export const decideEach = <T extends object>(
  where: (job: JobPlace) => Held<T>,
  part: NoInfer<Partial<T>>,
): readonly JobChange[] => {
  const path = pathOf(where);
  return Object.entries(part).map(([field, value]) => ({ path: [...path, field], value }) as unknown as JobChange);
};

/** Sets what the changes would set back to what it is in this job; null where nothing is said yet. */
export const changesBack = (job: Job, changes: readonly JobChange[]): readonly JobChange[] =>
  changes.map((change) => ({
    ...change,
    value:
      change.path.reduce<unknown>((place, key) => (place as Record<string, unknown> | undefined)?.[key], job) ?? null,
  }));
