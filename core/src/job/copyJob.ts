import type { Job } from './types.ts';

/** What a job made after an earlier one takes over of it; its size, stock and tools always. */
export interface Copied {
  readonly title: string;
  /** Pictures, words and the list of names. */
  readonly art: boolean;
  /** How many are wanted, spares and packs. */
  readonly counts: boolean;
}

/** A job that begins where an earlier one stood; when it is due and what was noted of it are its own. */
export function copyJob(job: Job, fresh: Job, { title, art, counts }: Copied): Job {
  return {
    ...job,
    brief: {
      ...job.brief,
      title,
      wanted: counts ? job.brief.wanted : fresh.brief.wanted,
      dueDate: null,
      notes: '',
    },
    // A picture on a mat is art as well.
    size: art
      ? job.size
      : { ...job.size, layers: job.size.layers.map(({ picture: _front, backPicture: _back, ...layer }) => layer) },
    pictures: art ? job.pictures : {},
    art: art ? job.art : { faces: {} },
    names: art ? (job.names ?? null) : null,
    sheet: counts ? job.sheet : { ...job.sheet, spares: null },
    sell: counts ? job.sell : { ...job.sell, packOf: fresh.sell.packOf },
  };
}
