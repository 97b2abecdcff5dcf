import { type ArtObject, type Job, type PictureRef, type TextBlock } from '@zippy/core';
import { newId, pictureIdOf, type Kept, type Things } from './useFace.ts';

/** Things taken from a face, with the pictures and typefaces they show: enough to lay them on a face of any job. */
export interface Taken {
  readonly texts: readonly TextBlock[];
  readonly objects: readonly ArtObject[];
  readonly pictures: Readonly<Record<string, PictureRef>>;
  readonly typefaces?: NonNullable<Job['typefaces']>;
}

/** Kept for the browser, so that another job, in another tab as well, can have it. */
const NAME = 'zippy-taken';

const pictureIdsOf = (objects: readonly ArtObject[]): readonly string[] =>
  objects.flatMap((o) => (o.kind === 'picture' ? [o.picture.pictureId] : []));

export function takeThings(job: Job, texts: readonly TextBlock[], objects: readonly ArtObject[]): Taken {
  const wanted = new Set([
    ...pictureIdsOf(objects),
    ...texts.flatMap(({ typefaceId, emphasis }) => [typefaceId, emphasis?.typefaceId ?? '']),
  ]);
  const ofThem = <T>(all: Readonly<Record<string, T>>): Readonly<Record<string, T>> =>
    Object.fromEntries(Object.entries(all).filter(([id]) => wanted.has(id)));
  return { texts, objects, pictures: ofThem(job.pictures), typefaces: ofThem(job.typefaces ?? {}) };
}

/**
 * What is laid on a face: things of their own names, a little aside where they would hide what they were taken from,
 * and their pictures under the names that this job knows them by.
 */
export function laidAgain(
  { texts, objects, pictures, typefaces = {} }: Taken,
  job: Job,
  asideMm: number,
): { readonly things: Things; readonly kept: Kept } {
  const names = new Map(Object.entries(pictures).map(([id, ref]) => [id, pictureIdOf(job, ref)]));
  const again = <T extends TextBlock | ArtObject>(thing: T): T => ({
    ...thing,
    id: newId(),
    locked: false,
    leftMm: thing.leftMm + asideMm,
    topMm: thing.topMm + asideMm,
  });
  return {
    things: {
      texts: texts.map(again),
      objects: objects.map((object) =>
        object.kind === 'picture'
          ? again({ ...object, picture: { ...object.picture, pictureId: names.get(object.picture.pictureId)! } })
          : again(object),
      ),
    },
    kept: {
      pictures: Object.fromEntries(Object.entries(pictures).map(([id, ref]) => [names.get(id)!, ref])),
      // These are called the same in every job of a studio.
      typefaces,
    },
  };
}

let memory: Taken | null = null;

export const clipboard = {
  put(taken: Taken): void {
    memory = taken;
    try {
      localStorage.setItem(NAME, JSON.stringify(taken));
    } catch {
      // A full or forbidden store: this tab still has it.
    }
  },
  get(): Taken | null {
    try {
      return (JSON.parse(localStorage.getItem(NAME) ?? 'null') as Taken | null) ?? memory;
    } catch {
      return memory;
    }
  },
};
