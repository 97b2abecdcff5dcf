import type { Workshop } from '../workshop/types.ts';
import type { Job } from './types.ts';

/** What every station is told: what was decided, and what the maker owns. Each adds the stations before it that it reads. */
export interface Context {
  readonly job: Job;
  readonly workshop: Workshop;
}
