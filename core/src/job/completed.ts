import { NO_OPTIONS } from './newJob.ts';
import type { Job } from './types.ts';

/** A job kept by an older version of the application, with what it lacks at its starting value. */
export const completed = (job: Job): Job => ({ ...job, size: { ...NO_OPTIONS, ...job.size } });
