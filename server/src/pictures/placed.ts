import type { Job, PictureRef } from '@zippy/core';

/** The pictures that some face of the job shows. */
export function placedPictures(job: Job): ReadonlyMap<string, PictureRef> {
  const placed = new Map<string, PictureRef>();
  for (const { picture } of Object.values(job.art.faces)) {
    const ref = picture && job.pictures[picture.pictureId];
    if (picture && ref) placed.set(picture.pictureId, ref);
  }
  return placed;
}
