import type { Mm } from '../../ground/length/types.ts';
import type { Stage } from '../stages.ts';

export const MEASURED_ON = ['trimmers', 'boards', 'paths'] as const;
/** What made what is measured: a cut, a fold line, or the back’s place over the front. */
export type MeasuredOn = (typeof MEASURED_ON)[number];

/** One piece measured at the bench, as it was typed. */
export interface MeasuredPiece {
  readonly on: MeasuredOn;
  /** Of the trimmer or the board; of a printer’s path `printer/path`. */
  readonly toolId: string;
  /** As planned: from the fence, or from the stop; nought of a back’s place. */
  readonly wantedMm: Mm;
  /** Found less wanted; of a back, how far right of the front it lies. */
  readonly offMm: Mm;
  /** Of a back, how far below the front it lies. */
  readonly downMm?: Mm;
  /** What the fence was set to beyond what was wanted, to make up for a habit. */
  readonly setBeyondMm: Mm;
  /** Who worked; nothing where nobody said. */
  readonly by?: string;
}

/** A piece as it stands in the books, with its moment. */
export interface ToolReading extends MeasuredPiece {
  readonly runId: string;
  /** ISO 8601. */
  readonly at: string;
}

/** Cards that came to a stage of work on one tool, and those of them that were lost there. */
export interface StageLosses {
  readonly stage: Stage;
  /** Null of work that no tool of the workshop does. */
  readonly toolId: string | null;
  readonly came: number;
  readonly lost: number;
  /** Those lost, by cause. */
  readonly causes: Readonly<Record<string, number>>;
}

/** What the bench has told so far: counted from runs, never typed. */
export interface BenchLog {
  /** Cards of all runs. */
  readonly good: number;
  readonly spoiled: number;
  /** Of the newest runs, stage by stage and tool by tool; nothing where nothing is known. */
  readonly losses?: readonly StageLosses[];
  /** The newest pieces measured, the oldest first. */
  readonly pieces?: readonly ToolReading[];
}
