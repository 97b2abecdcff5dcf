import type { Job } from '../../job/types.ts';
import type { MeasuredPiece } from '../../workshop/learnt/types.ts';
import type { Take } from '../../workshop/counted.ts';
import type { Workshop } from '../../workshop/types.ts';
import type { MakeStep } from './types.ts';

/** What is pressed at the bench. */
export const RUN_EVENT_KINDS = ['good', 'spoiled', 'step', 'finish', 'undo', 'timer', 'measured', 'note'] as const;

export const NOTES_ABOUT = ['differently', 'settings', 'weather', 'other'] as const;
/** What a note is about: what to do differently, how things were set, the weather, or whatever else. */
export type NoteAbout = (typeof NOTES_ABOUT)[number];

/** What a press says beside its kind. */
export type RunDetail =
  | { readonly kind: 'timer'; readonly minutes: number }
  | ({ readonly kind: 'measured' } & MeasuredPiece)
  | { readonly kind: 'note'; readonly about: NoteAbout; readonly text: string };

/** One press at the bench. Its id is made where it happened, so that sending it twice counts once. */
export interface RunEvent {
  readonly id: string;
  readonly kind: (typeof RUN_EVENT_KINDS)[number];
  readonly cards: number;
  readonly cause: string | null;
  readonly stepId: string | null;
  /** The event that this one takes back. */
  readonly undoes: string | null;
  readonly at: string | null;
  /** Of a timer, a piece measured and a note; presses that were made before there were any say nothing. */
  readonly detail?: RunDetail | null;
}

/** A job released to the bench: its steps as they were then, and everything pressed since. */
export interface Run {
  readonly id: string;
  readonly jobId: string;
  readonly wanted: number;
  /** The job as it was released. */
  readonly document: Job;
  readonly steps: readonly MakeStep[];
  /** Rates, prices, pace and tools as they were then; null of runs that were released before these were kept. */
  readonly workshop: Workshop | null;
  /** What each of its cards takes off the shelf; null of runs that were released before this was kept. */
  readonly takes: readonly Take[] | null;
  readonly startedAt: string;
  readonly finishedAt: string | null;
  readonly events: readonly RunEvent[];
}

/** What a job’s runs have come to. */
export interface JobBench {
  readonly jobId: string;
  readonly good: number;
  readonly spoiled: number;
  readonly openRunId: string | null;
  /** Good cards of runs that are finished, and so are off the shelf’s books. */
  readonly finishedGood: number;
}

/** Events that still count: not taken back, and not themselves a taking back. */
export function notUndone(events: readonly RunEvent[]): readonly RunEvent[] {
  const undone = new Set(events.flatMap((event) => (event.undoes ? [event.undoes] : [])));
  return events.filter((event) => event.kind !== 'undo' && !undone.has(event.id));
}

export interface RunCount {
  readonly good: number;
  readonly spoiled: number;
  readonly causes: Readonly<Record<string, number>>;
  readonly stepsDone: ReadonlySet<string>;
}

export function countRun(events: readonly RunEvent[]): RunCount {
  const causes: Record<string, number> = {};
  const stepsDone = new Set<string>();
  let [good, spoiled] = [0, 0];
  for (const event of notUndone(events)) {
    if (event.kind === 'good') good += event.cards;
    if (event.kind === 'step' && event.stepId) stepsDone.add(event.stepId);
    if (event.kind === 'spoiled') {
      const cause = event.cause ?? 'other';
      spoiled += event.cards;
      causes[cause] = (causes[cause] ?? 0) + event.cards;
    }
  }
  return { good, spoiled, causes, stepsDone };
}

/** Notes of a run that stand, in the order they were written. */
export const notesOf = (
  events: readonly RunEvent[],
): readonly { readonly id: string; readonly about: NoteAbout; readonly text: string }[] =>
  notUndone(events).flatMap(({ id, detail }) =>
    detail?.kind === 'note' ? [{ id, about: detail.about, text: detail.text }] : [],
  );

/** Pieces of a run that were measured and stand. */
export const measuredIn = (
  events: readonly RunEvent[],
): readonly (MeasuredPiece & { readonly id: string; readonly stepId: string | null })[] =>
  notUndone(events).flatMap(({ id, stepId, detail }) => {
    if (detail?.kind !== 'measured') return [];
    const { kind: _, ...piece } = detail;
    return [{ id, stepId, ...piece }];
  });
