import type { Job } from '../../job/types.ts';
import { pathKey } from '../../workshop/learnt/printSpread.ts';
import type { Stage } from '../../workshop/stages.ts';
import type { NoteAbout } from './run.ts';

/** A run as far as it is a lesson. */
export interface PastRun {
  readonly id: string;
  readonly jobId: string;
  readonly title: string;
  readonly stockId: string | null;
  readonly tools: Readonly<Partial<Record<Stage, string>>>;
  readonly notes: readonly { readonly about: NoteAbout; readonly text: string }[];
  readonly startedAt: string;
}

/** What a past run shares with the job at hand, the nearest first. */
export const LESSON_OF = ['card', 'stock', 'printer', 'trimmer', 'board'] as const;

export interface Lesson {
  readonly runId: string;
  readonly title: string;
  readonly startedAt: string;
  readonly of: (typeof LESSON_OF)[number];
  readonly text: string;
}

const MOST_LESSONS = 4;

/**
 * What past runs said to do differently, where the same card, stock or tool comes again: the nearest first, and of
 * those the newest.
 * @param runs the newest first
 */
export function lessonsFor(
  runs: readonly PastRun[],
  { jobId, job }: { readonly jobId: string; readonly job: Pick<Job, 'stock' | 'cut' | 'crease'> },
): readonly Lesson[] {
  const shares = (run: PastRun): Lesson['of'] | null => {
    if (run.jobId === jobId) return 'card';
    if (run.stockId === job.stock.stockId) return 'stock';
    if (run.tools.print === pathKey(job.stock.printerId, job.stock.pathId)) return 'printer';
    if (run.tools.cut === job.cut.trimmerId) return 'trimmer';
    return run.tools.crease === job.crease.boardId ? 'board' : null;
  };
  return runs
    .flatMap((run): readonly Lesson[] => {
      const of = shares(run);
      if (!of) return [];
      return run.notes
        .filter(({ about }) => about === 'differently')
        .map(({ text }) => ({ runId: run.id, title: run.title, startedAt: run.startedAt, of, text }));
    })
    .sort((a, b) => LESSON_OF.indexOf(a.of) - LESSON_OF.indexOf(b.of))
    .slice(0, MOST_LESSONS);
}
