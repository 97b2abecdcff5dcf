import { placedPictureIds, placedTypefaceIds, type Job, type PictureRef } from '@zippy/core';
import type { OwnFonts } from './exports/fonts.ts';
import type { PictureBytes } from './exports/types.ts';
import { findPicture } from './tables/pictures.ts';
import { findTypeface } from './tables/typefaces.ts';
import type { Db } from './tables/types.ts';

/** A picture of a job whose bytes are gone. */
export class PictureLost extends Error {
  constructor(readonly picture: PictureRef) {
    super(`${picture.name} is not stored any more; place the picture again.`);
  }
}

/** What the maker brought that some face of a job shows, under the job’s names for it. */
export interface Placed {
  readonly pictures: ReadonlyMap<string, PictureBytes>;
  readonly typefaces: OwnFonts;
}

/** @throws PictureLost when a picture is not stored */
export const loadPlaced = async (db: Db, studioId: string, job: Job): Promise<Placed> => ({
  pictures: await loadPlacedPictures(db, studioId, job),
  typefaces: await loadPlacedTypefaces(db, studioId, job),
});

async function loadPlacedPictures(db: Db, studioId: string, job: Job): Promise<Map<string, PictureBytes>> {
  const pictures = new Map<string, PictureBytes>();
  for (const id of placedPictureIds(job)) {
    const ref = job.pictures[id]!;
    const found = await findPicture(db, studioId, ref.sha256);
    if (!found) throw new PictureLost(ref);
    pictures.set(id, found);
  }
  return pictures;
}

/** One that is gone is left out: the plan stands something in for it, and says so. */
export async function loadPlacedTypefaces(db: Db, studioId: string, job: Job): Promise<OwnFonts> {
  const typefaces = new Map<string, Buffer>();
  for (const id of placedTypefaceIds(job)) {
    const ref = job.typefaces?.[id];
    const found = ref && (await findTypeface(db, studioId, ref.sha256));
    if (found) typefaces.set(id, found);
  }
  return typefaces;
}
