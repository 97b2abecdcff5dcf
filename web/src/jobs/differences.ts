import { cutText } from '@zippy/core';
export interface Difference {
  readonly place: string;
  readonly mine: string;
  readonly theirs: string;
}

/** The places where two copies differ, named as in the job file. */
export function differences(mine: unknown, theirs: unknown, place = ''): readonly Difference[] {
  if (JSON.stringify(mine) === JSON.stringify(theirs)) return [];
  const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null;
  if (!isRecord(mine) || !isRecord(theirs) || Array.isArray(mine) !== Array.isArray(theirs))
    return [{ place, mine: brief(mine), theirs: brief(theirs) }];
  const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
  // Only what a copy really holds: “valueOf” is on every object and in no job.
  const own = (record: Record<string, unknown>, key: string): unknown =>
    Object.hasOwn(record, key) ? record[key] : undefined;
  return keys.flatMap((key) => differences(own(mine, key), own(theirs, key), place ? `${place} › ${key}` : key));
}

const brief = (value: unknown): string =>
  value === undefined ? '—' : cutText(typeof value === 'string' ? value : JSON.stringify(value), 60);
