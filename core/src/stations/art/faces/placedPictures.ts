import { typefacesFor } from '../words/typefaces.ts';
import type { Job } from '../../../job/types.ts';

/** Ids of the pictures that some face or layer of the job shows, each once. */
export function placedPictureIds(job: Job): readonly string[] {
  const ids = Object.values(job.art.faces).flatMap(({ picture, pattern, objects = [] }) => [
    ...(picture ? [picture.pictureId] : []),
    ...(pattern ? [pattern.pictureId] : []),
    ...objects.flatMap((object) => (object.kind === 'picture' ? [object.picture.pictureId] : [])),
  ]);
  const layers = job.size.layers.flatMap(({ picture }) => (picture ? [picture.pictureId] : []));
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
