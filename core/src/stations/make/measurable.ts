import type { Mm } from '../../ground/length/types.ts';
import type { Job } from '../../job/types.ts';
import { pathKey } from '../../workshop/learnt/printSpread.ts';
import type { MeasuredOn } from '../../workshop/learnt/types.ts';
import type { MakeStep } from './types.ts';

/** What can be measured of a step’s work, and which tool it tells of. */
export interface Measurable {
  readonly on: MeasuredOn;
  readonly toolId: string;
  /** From the fence to the cut, from the stop to the fold; nought of a back’s place over its front. */
  readonly wantedMm: Mm;
}

/** Null where a rule can tell nothing: of gluing, of cuts by hand, and of steps laid out before this was kept. */
export function measurableAt(step: MakeStep, job: Pick<Job, 'stock' | 'cut' | 'crease'>): Measurable | null {
  if (step.kind === 'cut' && step.fenceMm !== undefined)
    return { on: 'trimmers', toolId: job.cut.trimmerId, wantedMm: step.fenceMm };
  if (step.kind === 'crease' && step.fromStopMm !== undefined)
    return { on: 'boards', toolId: job.crease.boardId, wantedMm: step.fromStopMm };
  if (step.kind === 'print' && step.backsFronts)
    return { on: 'paths', toolId: pathKey(job.stock.printerId, job.stock.pathId), wantedMm: 0 };
  return null;
}
