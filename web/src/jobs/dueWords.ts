import { localeOf } from '@zippy/core';
import { today } from '../workers/planner.ts';

const DAY_MS = 86_400_000;

/** When a job is due, as large as it stands on the wall, and whether that is near. */
export function dueWords(
  dueDate: string | null,
  region?: string,
): {
  readonly big: string;
  readonly small: string;
  readonly near: boolean;
} {
  if (!dueDate) return { big: '—', small: 'no date', near: false };
  const days = Math.round((Date.parse(dueDate) - Date.parse(today())) / DAY_MS);
  const small = new Date(`${dueDate}T12:00`).toLocaleDateString(localeOf(region), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });
  if (days < 0) return { big: `${-days}`, small: `days late, ${small}`, near: true };
  if (days === 0) return { big: 'now', small: `due ${small}`, near: true };
  return { big: String(days), small: `${days === 1 ? 'day' : 'days'}, ${small}`, near: days <= 3 };
}
