import type { Job } from './types.ts';

/** A job kept by an older version of the application, with what it lacks at its starting value. */
export const completed = (job: Job): Job => ({ ...job, size: { ...NEW_IN_SIZE, ...job.size } });

const NEW_IN_SIZE: Pick<Job['size'], 'options' | 'layers'> = { options: {}, layers: [] };
