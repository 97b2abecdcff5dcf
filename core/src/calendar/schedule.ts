import { simulate, type Course } from './simulate.ts';
import type { Evening, JobWork, Minute, Shared } from './types.ts';

/** As many other lists are tried at most; counted, so that a busy machine finds the same. */
const TRIES = 600;
/** Later than any evening that is looked at: of what they do not hold. */
export const NEVER: Minute = 1e9;

export interface Schedule extends Course {
  /** Jobs in the order that they are pressed on with. */
  readonly order: readonly string[];
  readonly mostLate: Minute;
  /** No order of work ends with less than this much lateness. */
  readonly mostLateAtLeast: Minute;
}

/** What is late decides, the latest first; of two alike the one that is done sooner. */
type Cost = readonly [mostLate: number, allLate: number, ends: number];

/**
 * All jobs in the evenings that are free, so that the latest is as little late as can be found. Source: list scheduling by
 * earliest due date (Jackson, 1955), which is the best for one pair of hands that may put work down, then moved about job
 * by job while that helps.
 * @param options `before` is the order that was in force: it stays unless another is better, so that a plan does not jump;
 *   `tries` how many other orders are tried at most
 */
export function schedule(
  jobs: readonly JobWork[],
  evenings: readonly Evening[],
  shared: Shared,
  { before = [], tries: most = TRIES }: { readonly before?: readonly string[]; readonly tries?: number } = {},
): Schedule {
  const byDue = [...jobs].sort((a, b) => (a.dueAt ?? NEVER) - (b.dueAt ?? NEVER) || (a.jobId < b.jobId ? -1 : 1));
  const known = new Map(before.map((jobId, i) => [jobId, i]));
  // Those that are new come among the others by their day.
  const asBefore = [...byDue];
  asBefore.sort(
    (a, b) => (known.get(a.jobId) ?? -1) - (known.get(b.jobId) ?? -1) || byDue.indexOf(a) - byDue.indexOf(b),
  );
  const bound = lateAtLeast(jobs, evenings, shared);
  const starts = before.length > 0 ? [asBefore, byDue] : [byDue];
  let best = starts.map((list) => tried(list, evenings, shared)).reduce((a, b) => (isLess(b.cost, a.cost) ? b : a));
  let tries = 0;
  for (let helped = true; helped && best.cost[0] > bound && tries < most;) {
    helped = false;
    for (let from = best.list.length - 1; from > 0 && tries < most; from -= 1)
      for (let to = 0; to < from && tries < most; to += 1) {
        tries += 1;
        const list = moved(best.list, from, to);
        const other = tried(list, evenings, shared);
        if (isLess(other.cost, best.cost)) {
          best = other;
          helped = true;
        }
      }
  }
  return {
    ...best.course,
    order: best.list.map(({ jobId }) => jobId),
    ...{ mostLate: best.cost[0], mostLateAtLeast: bound },
  };
}

interface Tried {
  readonly list: readonly JobWork[];
  readonly course: Course;
  readonly cost: Cost;
}

function tried(list: readonly JobWork[], evenings: readonly Evening[], shared: Shared): Tried {
  const course = simulate(list, evenings, shared);
  const late = course.jobs.map(({ lateMinutes }) => Math.min(NEVER, lateMinutes));
  const ends = course.jobs.reduce((sum, { endsAt }) => sum + (endsAt ?? NEVER), 0);
  return { list, course, cost: [Math.max(0, ...late), late.reduce((a, b) => a + b, 0), ends] };
}

/** By more than a hair. */
function isLess(a: Cost, b: Cost): boolean {
  for (const [i, one] of a.entries()) if (Math.abs(one - b[i]!) > 1e-6) return one < b[i]!;
  return false;
}

const moved = <T>(list: readonly T[], from: number, to: number): readonly T[] => {
  const rest = list.toSpliced(from, 1);
  return rest.toSpliced(to, 0, list[from]!);
};

/**
 * The least lateness that any order leaves to the latest job. Derivation: whatever is due by a day must be worked before
 * it, and all hands together work no faster than the evenings allow; and no job is done sooner than alone.
 */
export function lateAtLeast(jobs: readonly JobWork[], evenings: readonly Evening[], { hands, racks }: Shared): Minute {
  const alone = jobs.map((job) => simulate([job], evenings, { hands, racks }).jobs[0]!.lateMinutes);
  const due = jobs.filter((job): job is JobWork & { readonly dueAt: Minute } => job.dueAt !== null);
  const together = due.map(({ dueAt }) => {
    const work = due
      .filter((job) => job.dueAt <= dueAt)
      .reduce((sum, { stages }) => sum + stages.reduce((n, { minutes }) => n + minutes, 0), 0);
    return Math.max(0, whenWorked(work / hands, evenings) - dueAt);
  });
  return Math.min(NEVER, Math.max(0, ...alone, ...together));
}

/** When so many minutes of evenings are over. */
function whenWorked(minutes: number, evenings: readonly Evening[]): Minute {
  let left = minutes;
  for (const { from, to } of evenings) {
    if (left <= to - from) return from + left;
    left -= to - from;
  }
  return NEVER;
}

/**
 * The latest moment at which each job can be begun, all of them being done in time. The same lists run backwards from the
 * days on which they are due: what is last comes first, and what dries after a stage dries before it.
 * @returns by job; null where it has no day, or where there is no time left in the evenings that are looked at
 */
export function startBy(
  jobs: readonly JobWork[],
  evenings: readonly Evening[],
  { hands }: Shared,
): ReadonlyMap<string, Minute | null> {
  const due = jobs.filter(({ dueAt }) => dueAt !== null);
  const back = [...due]
    .sort((a, b) => b.dueAt! - a.dueAt! || (a.jobId < b.jobId ? -1 : 1))
    .map(({ stages, dueAt, ...job }): JobWork => ({
      ...job,
      ...{ dueAt: null, notBefore: -dueAt! + (stages.at(-1)?.waitMinutes ?? 0) },
      stages: stages.map((_, i) => {
        const k = stages.length - 1 - i;
        return { ...stages[k]!, waitMinutes: stages[k - 1]?.waitMinutes ?? 0 };
      }),
    }));
  const mirrored = [...evenings].reverse().map(({ day, from, to }) => ({ day, from: -to, to: -from }));
  const course = simulate(back, mirrored, { hands, racks: Infinity });
  const found = new Map(course.jobs.map(({ jobId, endsAt }) => [jobId, endsAt === null ? null : -endsAt]));
  return new Map(jobs.map(({ jobId }) => [jobId, found.get(jobId) ?? null]));
}
