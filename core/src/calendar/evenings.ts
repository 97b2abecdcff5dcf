import type { WorkTimes } from '../workshop/calendar.ts';
import { DAY_MINUTES, type Evening, type Minute } from './types.ts';

const DAY_MS = 86_400_000;

/** Days since 1970-01-01 of an ISO day. */
export const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
export const dayOf = (number: number): string => new Date(number * DAY_MS).toISOString().slice(0, 10);
export const dayAt = (minute: Minute): string => dayOf(Math.floor(minute / DAY_MINUTES));
/** Monday is nought. */
export const weekdayOf = (number: number): number => (((number + 3) % 7) + 7) % 7;
/** A day is over at its midnight. */
export const endOfDay = (day: string): Minute => (dayNumber(day) + 1) * DAY_MINUTES;

/** Minutes free on a day: its own where it has any, else those of its day of the week. */
export function minutesFree(
  { weekMinutes, exceptions }: Pick<WorkTimes, 'weekMinutes' | 'exceptions'>,
  day: string,
): number {
  return exceptions.find((one) => one.day === day)?.minutes ?? weekMinutes[weekdayOf(dayNumber(day))] ?? 0;
}

/** The evenings of so many days, each as long as it is free; of today only what is left. */
export function eveningsFrom(times: WorkTimes, now: Minute, days: number): readonly Evening[] {
  const first = Math.floor(now / DAY_MINUTES);
  return Array.from({ length: days }, (_, i) => first + i).flatMap((number): readonly Evening[] => {
    const day = dayOf(number);
    const starts = number * DAY_MINUTES + times.fromMinute;
    const to = Math.min(starts + minutesFree(times, day), (number + 1) * DAY_MINUTES);
    const from = Math.max(starts, now);
    return to > from ? [{ day, from, to }] : [];
  });
}
