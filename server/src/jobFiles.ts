import {
  mayTravel,
  ownTypefaceId,
  placedPictureIds,
  placedTypefaceIds,
  withTypefaces,
  type Job,
  type OwnTypeface,
  type PictureRef,
} from '@zippy/core';
import type { JobFile } from '@zippy/core/job-file';
import type { Readers } from './readers/readers.ts';
import { Refusal } from './refusal.ts';
import { addPicture, findPicture } from './tables/pictures.ts';
import { addTypeface, findTypeface, listTypefaces } from './tables/typefaces.ts';
import type { Db } from './tables/types.ts';

/**
 * A job as a studio keeps it, from a file: what came inside is read and kept.
 * @throws Refusal for what stayed behind, PictureRefused and TypefaceRefused for what cannot be read
 */
export async function keepJobFile(db: Db, studioId: string, readers: Readers, file: JobFile): Promise<Job> {
  const pictures: Record<string, PictureRef> = {};
  for (const [id, { name, source }] of Object.entries(file.pictures)) {
    if (source.kind === 'file') throw stayedBehind(`pictures.${id}`, source.file, 'its pictures');
    if (source.kind === 'stored') pictures[id] = source.ref;
    else {
      const picture = await readers.picture(name, Buffer.from(source.base64, 'base64'));
      await addPicture(db, studioId, picture);
      pictures[id] = picture.ref;
    }
  }
  const typefaces = new Map<string, { readonly id: string; readonly ref: OwnTypeface }>();
  for (const [id, { name, source }] of Object.entries(file.typefaces)) {
    if (source.kind === 'file') throw stayedBehind(`typefaces.${id}`, source.file, 'its typefaces');
    // What is stored elsewhere alone is stood in for, until it is brought here as well.
    if (source.kind === 'stored') typefaces.set(id, { id: ownTypefaceId(source.ref.sha256), ref: source.ref });
    else {
      const typeface = await readers.typeface(name, Buffer.from(source.base64, 'base64'));
      await addTypeface(db, studioId, typeface);
      typefaces.set(id, typeface);
    }
  }
  return withTypefaces({ ...file.job, pictures }, typefaces);
}

const stayedBehind = (field: string, path: string, what: string): Refusal =>
  new Refusal(
    422,
    `${field} points to the file ${path}, which stayed behind; save the job with ${what} inside, or put it in place after opening.`,
    field,
  );

/** A job in the open format, with what it shows inside, as far as that may be handed on. */
export async function writeJobFile(db: Db, studioId: string, job: Job): Promise<object> {
  const pictures: Record<string, unknown> = {};
  for (const id of placedPictureIds(job)) {
    const ref = job.pictures[id]!;
    const found = await findPicture(db, studioId, ref.sha256);
    if (found) pictures[id] = { ...ref, data: found.bytes.toString('base64') };
  }
  if (!job.typefaces) return { ...job, pictures };
  const here = await listTypefaces(db, studioId);
  const typefaces: Record<string, unknown> = {};
  for (const id of placedTypefaceIds(job)) {
    const ref = job.typefaces[id];
    if (!ref) continue;
    const row = here.find(({ sha256 }) => sha256 === ref.sha256);
    const bytes = row && mayTravel(row.embedding) ? await findTypeface(db, studioId, ref.sha256) : null;
    typefaces[id] = { ...ref, ...(bytes ? { data: bytes.toString('base64') } : {}) };
  }
  return { ...job, pictures, typefaces };
}
