import type { Job } from './types.ts';
import type { JobChange } from './decide.ts';

/**
 * A new job with some places set; everything untouched is shared with the old one.
 * @throws RangeError when a path runs through something that is not an object
 */
export function changeJob(job: Job, changes: readonly JobChange[]): Job {
  return changes.reduce((changed, { path, value }) => setIn(changed, path, value, path) as Job, job);
}

function setIn(place: unknown, path: readonly string[], value: unknown, whole: readonly string[]): unknown {
  const [key, ...deeper] = path;
  if (key === undefined) return value;
  if (typeof place !== 'object' || place === null)
    throw new RangeError(`changeJob: no place “${whole.join('.')}” in a job`);
  if (Array.isArray(place)) {
    const index = Number(key);
    if (!Number.isInteger(index) || index < 0 || index > place.length)
      throw new RangeError(`changeJob: “${whole.join('.')}” wanted an index up to ${place.length}, got ${key}`);
    return Object.assign([...place], { [index]: setIn(place[index], deeper, value, whole) });
  }
  const record = place as Record<string, unknown>;
  return { ...record, [key]: setIn(record[key] ?? {}, deeper, value, whole) };
}
