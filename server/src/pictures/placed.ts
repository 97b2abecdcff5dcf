import { placedPictureIds, type Job, type PictureRef } from '@zippy/core';
import type { PictureBytes } from '../exports/types.ts';
import { findPicture } from '../tables/pictures.ts';
import type { Db } from '../tables/types.ts';

/** A picture of a job whose bytes are gone. */
export class PictureLost extends Error {
  constructor(readonly picture: PictureRef) {
    super(`${picture.name} is not stored any more; place the picture again.`);
  }
}

/**
 * Bytes of every picture that some face of the job shows, under the job’s names for them.
 * @throws PictureLost when one is not stored
 */
export async function loadPlacedPictures(db: Db, studioId: string, job: Job): Promise<Map<string, PictureBytes>> {
  const pictures = new Map<string, PictureBytes>();
  for (const id of placedPictureIds(job)) {
    const ref = job.pictures[id]!;
    const found = await findPicture(db, studioId, ref.sha256);
    if (!found) throw new PictureLost(ref);
    pictures.set(id, found);
  }
  return pictures;
}
