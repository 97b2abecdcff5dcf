import { normalFrom, randomFrom } from '../ground/random.ts';
import type { WorkTimes } from '../workshop/calendar.ts';
import { dayAt, dayOf, eveningsFrom, minutesFree } from './evenings.ts';
import { schedule, startBy, type Schedule } from './schedule.ts';
import { simulate } from './simulate.ts';
import { STRAYS } from './strays.ts';
import { DAY_MINUTES, type Evening, type JobWork, type Minute, type Shared, type Stage } from './types.ts';

/** Days ahead that are looked at. */
const AHEAD_DAYS = 120;
/** Courses that are drawn by lot. */
const COURSES = 300;
const SEED = 20260401;
/** What an evening more than there are would be. Our starting value. */
const MORE_MINUTES = 120;
/** Orders tried for each of what would help: it begins from the one in force. */
const WHAT_IF_TRIES = 100;

export interface JobOutlook {
  readonly jobId: string;
  /** To be begun by then, if all are to be in time; null for a job without a day. */
  readonly startBy: Minute | null;
  /** That moment has gone, or there is no such. */
  readonly shouldHaveBegun: boolean;
  /** Of courses drawn by lot in which it is late. */
  readonly lateShare: number;
}

/** What would change, and by how much the latest job is less late. */
export interface WhatIf {
  readonly kind: 'evening' | 'outside';
  /** The day of the evening, and how long it would be. */
  readonly day: string | null;
  readonly minutes: number;
  /** The job whose making is ordered. */
  readonly jobId: string | null;
  readonly mostLate: Minute;
  readonly lateJobs: number;
}

export interface Outlook {
  readonly evenings: readonly Evening[];
  readonly plan: Schedule;
  readonly jobs: readonly JobOutlook[];
  /** The best first; none where nothing is late. */
  readonly whatIfs: readonly WhatIf[];
}

/**
 * All jobs on the wall in the evenings to come: when each is worked on, by when it must be begun, how sure that is, and
 * what would help.
 * @param strays by stage, as learnt from runs; our starting value where nothing is
 */
export function outlook(
  jobs: readonly JobWork[],
  times: WorkTimes,
  now: Minute,
  {
    before = [],
    strays = {},
  }: { readonly before?: readonly string[]; readonly strays?: Readonly<Partial<Record<Stage, number>>> } = {},
): Outlook {
  const evenings = eveningsFrom(times, now, AHEAD_DAYS);
  const plan = schedule(jobs, evenings, times, { before });
  const begin = startBy(jobs, evenings, times);
  const inTurn = plan.order.map((id) => jobs.find(({ jobId }) => jobId === id)!);
  const late = lateShares(inTurn, evenings, times, strays);
  return {
    ...{ evenings, plan },
    jobs: jobs.map(({ jobId, dueAt, stages }): JobOutlook => {
      const by = begin.get(jobId) ?? null;
      const isOpen = dueAt !== null && stages.length > 0;
      return {
        ...{ jobId, startBy: isOpen ? by : null },
        shouldHaveBegun: isOpen && (by === null || by < now),
        lateShare: late.get(jobId) ?? 0,
      };
    }),
    whatIfs: plan.mostLate > 0 ? whatIfs(jobs, times, now, plan) : [],
  };
}

/** The same order gone through again and again, every stage taking a little more or less than it is said to. */
function lateShares(
  inTurn: readonly JobWork[],
  evenings: readonly Evening[],
  shared: Shared,
  strays: Readonly<Partial<Record<Stage, number>>>,
): ReadonlyMap<string, number> {
  const normal = normalFrom(randomFrom(SEED));
  const late = new Map<string, number>();
  for (let course = 0; course < COURSES; course += 1) {
    const drawn = inTurn.map((job) => ({
      ...job,
      stages: job.stages.map((work) => ({
        ...work,
        minutes: work.minutes * Math.exp((strays[work.stage] ?? STRAYS) * normal()),
      })),
    }));
    for (const { jobId, lateMinutes } of simulate(drawn, evenings, shared).jobs)
      if (lateMinutes > 0) late.set(jobId, (late.get(jobId) ?? 0) + 1 / COURSES);
  }
  return late;
}

function whatIfs(jobs: readonly JobWork[], times: WorkTimes, now: Minute, plan: Schedule): readonly WhatIf[] {
  const then = (others: readonly JobWork[], with_: WorkTimes): Pick<WhatIf, 'mostLate' | 'lateJobs'> => {
    const { mostLate, jobs: found } = schedule(others, eveningsFrom(with_, now, AHEAD_DAYS), with_, {
      before: plan.order,
      tries: WHAT_IF_TRIES,
    });
    return { mostLate, lateJobs: found.filter(({ lateMinutes }) => lateMinutes > 0).length };
  };
  const late = plan.jobs.filter(({ lateMinutes }) => lateMinutes > 0);
  const free = firstFreeDay(times, now);
  const more = {
    ...times,
    exceptions: [...times.exceptions.filter(({ day }) => day !== free), { day: free, minutes: MORE_MINUTES }],
  };
  return [
    { kind: 'evening' as const, day: free, minutes: MORE_MINUTES, jobId: null, ...then(jobs, more) },
    ...late.slice(0, 3).map(({ jobId }) => ({
      ...{ kind: 'outside' as const, day: null, minutes: 0, jobId },
      ...then(
        jobs.filter((job) => job.jobId !== jobId),
        times,
      ),
    })),
  ]
    .filter(({ mostLate, lateJobs }) => mostLate < plan.mostLate || lateJobs < late.length)
    .sort((a, b) => a.mostLate - b.mostLate || a.lateJobs - b.lateJobs);
}

/** The next day on which nobody works yet. */
function firstFreeDay(times: WorkTimes, now: Minute): string {
  let number = Math.floor(now / DAY_MINUTES);
  while (minutesFree(times, dayOf(number)) > 0) number += 1;
  return dayOf(number);
}

/** What an evening holds, in its order. */
export const onEvening = ({ plan }: Pick<Outlook, 'plan'>, day: string): Schedule['blocks'] =>
  plan.blocks.filter(({ from }) => dayAt(from) === day);
