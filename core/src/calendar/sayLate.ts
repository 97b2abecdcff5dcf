import { NEVER } from './schedule.ts';
import { DAY_MINUTES, type Minute } from './types.ts';

/** How late, in days that have begun; of what the evenings do not hold at all, that. */
export function sayLate(minutes: Minute): string {
  if (minutes >= NEVER) return 'beyond the evenings that are looked at';
  const days = Math.ceil(minutes / DAY_MINUTES);
  return `${days} ${days === 1 ? 'day' : 'days'} late`;
}
