import { STAGES, type Stage } from '../workshop/stages.ts';

/**
 * Moments are minutes since the start of 1970-01-01 as the wall clock shows them: a day is 1440 of them, and nothing here
 * crosses a change of clocks while somebody works.
 */
export type Minute = number;
export const DAY_MINUTES = 1440;

export { STAGES, type Stage };

/** One stage of one job. */
export interface StageWork {
  readonly stage: Stage;
  readonly minutes: number;
  /** Before the next can begin: ink or glue dries, and nobody works. */
  readonly waitMinutes: number;
  /** The printer that is taken; null for work at the bench. */
  readonly printerId: string | null;
}

/** A job as the calendar sees it. */
export interface JobWork {
  readonly jobId: string;
  readonly title: string;
  readonly stages: readonly StageWork[];
  /** By when it is done: the end of its day; null where no day was said. */
  readonly dueAt: Minute | null;
  /** Not begun before; nought where nothing is said. */
  readonly notBefore: Minute;
}

/** Time in which somebody works. */
export interface Evening {
  readonly day: string;
  readonly from: Minute;
  readonly to: Minute;
}

/** What one person does without a break. */
export interface Block {
  readonly jobId: string;
  readonly stage: Stage;
  readonly from: Minute;
  readonly to: Minute;
}

export interface JobTimes {
  readonly jobId: string;
  /** Null where the evenings that are looked at do not hold it. */
  readonly beginsAt: Minute | null;
  readonly endsAt: Minute | null;
  /** After its day; nought where it is in time or has none. */
  readonly lateMinutes: number;
}

/** Who shares what. */
export interface Shared {
  readonly hands: number;
  readonly racks: number;
}
