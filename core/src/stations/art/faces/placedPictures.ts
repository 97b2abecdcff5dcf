import { typefacesFor } from '../words/typefaces.ts';
import type { Job, OwnTypeface } from '../../../job/types.ts';

/** Ids of the pictures that some face or layer of the job shows, each once. */
export function placedPictureIds(job: Job): readonly string[] {
  const ids = Object.values(job.art.faces).flatMap(({ picture, pattern, objects = [] }) => [
    ...(picture ? [picture.pictureId] : []),
    ...(pattern ? [pattern.pictureId] : []),
    ...objects.flatMap((object) => (object.kind === 'picture' ? [object.picture.pictureId] : [])),
  ]);
  const layers = job.size.layers.flatMap(({ picture, backPicture }) =>
    [picture, backPicture].flatMap((one) => (one ? [one.pictureId] : [])),
  );
  return [...new Set([...ids, ...layers])].filter((id) => job.pictures[id]);
}

/** Ids of the typefaces, and companions, that a job’s words need. */
export function placedTypefaceIds(job: Job): readonly string[] {
  const extra = job.names ? job.names.rows.flat().join('') : '';
  return [
    ...new Set(
      Object.values(job.art.faces).flatMap((face) =>
        face.texts.flatMap((block) =>
          [block.typefaceId, ...(block.emphasis ? [block.emphasis.typefaceId] : [])].flatMap((id) =>
            typefacesFor(id, block.text + extra),
          ),
        ),
      ),
    ),
  ];
}

/** The job with its own typefaces under other names, wherever words are set in them. */
export function withTypefaces(
  job: Job,
  brought: ReadonlyMap<string, { readonly id: string; readonly ref: OwnTypeface }>,
): Job {
  const named = (id: string): string => brought.get(id)?.id ?? id;
  const faces = Object.entries(job.art.faces).map(([faceId, face]) => [
    faceId,
    {
      ...face,
      texts: face.texts.map((block) => ({
        ...block,
        typefaceId: named(block.typefaceId),
        ...(block.emphasis ? { emphasis: { ...block.emphasis, typefaceId: named(block.emphasis.typefaceId) } } : {}),
      })),
    },
  ]);
  return {
    ...job,
    ...(brought.size > 0
      ? { typefaces: Object.fromEntries([...brought.values()].map(({ id, ref }) => [id, ref])) }
      : {}),
    art: { faces: Object.fromEntries(faces) as Job['art']['faces'] },
  };
}
