import type { JobChange } from '../../../job/decide.ts';
import type { Remedy } from '../../../job/findings.ts';
import type { Job } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import type { InkOnBlank } from '../../art/faces/inkOnBlank.ts';
import { tryOut } from '../layout/tryOut.ts';

/** A job, and what is printed of it, as every remedy of the sheet asks it. */
export interface Asked {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly ink: InkOnBlank;
  /** Cards that come out as things are; nought where a cutting machine finds no mark. */
  readonly comesOut: number;
}

/** A change with the count that it gives, where that is more than now; null where it is not. */
export function more(
  { job, workshop, ink, comesOut }: Asked,
  changes: readonly JobChange[],
  label: (up: number) => string,
): Remedy | null {
  const tried = tryOut(job, workshop, ink, changes);
  return tried.comesOut > comesOut ? { label: label(tried.comesOut), changes } : null;
}
