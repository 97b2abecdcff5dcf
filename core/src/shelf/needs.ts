import { thingKey, type Take, type ThingRef } from '../workshop/counted.ts';
import { takenFor } from './takes.ts';

/** A job on the wall, and how far it is. */
export interface JobNeeds {
  readonly jobId: string;
  readonly title: string;
  /** ISO day; null for none. */
  readonly dueDate: string | null;
  readonly takes: readonly Take[];
  /** Cards that are wanted, and spare ones, which take paper and nothing that is put on or round a card. */
  readonly wanted: number;
  readonly spares: number;
  /** Good cards of runs that are finished: what they took is off the books. */
  readonly finishedGood: number;
  /** One of its runs is on the bench. */
  readonly onBench: boolean;
}

export interface NeedOfJob {
  readonly jobId: string;
  readonly title: string;
  readonly dueDate: string | null;
  readonly count: number;
  readonly onBench: boolean;
}

export interface Need extends ThingRef {
  readonly onShelf: number;
  readonly needed: number;
  /** Of that, kept for runs that are on the bench. */
  readonly reserved: number;
  readonly short: number;
  /** The day by which it runs short; null where it does not, or for a job without a day. */
  readonly by: string | null;
  /** In the order they are due. */
  readonly jobs: readonly NeedOfJob[];
}

/** After any day that is written. */
const NO_DAY = '9999-12-31';

const turnOf = ({ onBench, dueDate, jobId }: JobNeeds): string => `${onBench ? 0 : 1} ${dueDate ?? NO_DAY} ${jobId}`;

/** What the jobs on the wall take of each thing, what is short, and by when. Runs on the bench come first, then the days. */
export function needsOf(jobs: readonly JobNeeds[], onShelf: ReadonlyMap<string, number>): readonly Need[] {
  const found = new Map<string, { ref: ThingRef; jobs: NeedOfJob[] }>();
  const inTurn = [...jobs].sort((a, b) => (turnOf(a) < turnOf(b) ? -1 : 1));
  for (const { takes, wanted, spares, finishedGood, ...job } of inTurn) {
    const left = Math.max(0, wanted - finishedGood);
    if (left === 0) continue;
    const own = new Map<string, { ref: ThingRef; count: number }>();
    for (const take of takes) {
      const key = thingKey(take);
      own.set(key, {
        ref: { shelf: take.shelf, thingId: take.thingId },
        count: (own.get(key)?.count ?? 0) + takenFor(take, take.per.kind === 'sheet' ? left + spares : left),
      });
    }
    for (const [key, { ref, count }] of own) {
      const { jobId, title, dueDate, onBench } = job;
      const before = found.get(key) ?? { ref, jobs: [] };
      found.set(key, { ref, jobs: [...before.jobs, { jobId, title, dueDate, onBench, count }] });
    }
  }
  return [...found].map(([key, { ref, jobs: takers }]) => {
    const has = onShelf.get(key) ?? 0;
    const needed = sum(takers);
    let running = 0;
    const first = takers.find(({ count }) => (running += count) > has);
    return {
      ...ref,
      ...{ onShelf: has, needed, jobs: takers },
      reserved: sum(takers.filter(({ onBench }) => onBench)),
      short: Math.max(0, needed - has),
      by: first?.dueDate ?? null,
    };
  });
}

const sum = (takers: readonly NeedOfJob[]): number => takers.reduce((n, { count }) => n + count, 0);
