import { EMPTY_FACE, type FaceArt, type FacePlan, type Job, type PictureRef, type TextBlock } from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view.ts';
import type { StationProps } from '../parts.ts';

/** The face in hand and the ways to change it. */
export function useFace({ job, plan }: StationProps): {
  readonly face: FacePlan;
  readonly art: FaceArt;
  readonly setFace: (part: Partial<FaceArt>, key?: string) => void;
  readonly setText: (id: string, part: Partial<TextBlock>, key?: string) => void;
  readonly placePicture: (ref: PictureRef) => void;
} {
  const change = useJob((s) => s.change);
  const wanted = useView((s) => s.face);
  const face = plan.art.faces.find((f) => f.face.id === wanted) ?? plan.art.faces[0]!;
  const id = face.face.id;
  const art = job.art.faces[id] ?? EMPTY_FACE;
  const path = ['art', 'faces', id];
  const setFace = (part: Partial<FaceArt>, key?: string): void => change([{ path, value: { ...art, ...part } }], key);
  return {
    face,
    art,
    setFace,
    setText: (textId, part, key) =>
      setFace({ texts: art.texts.map((t) => (t.id === textId ? { ...t, ...part } : t)) }, key),
    placePicture: (ref) => {
      const pictureId = pictureIdOf(job, ref);
      change([
        { path: ['pictures', pictureId], value: ref },
        { path, value: { ...art, picture: { pictureId, zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false } } },
      ]);
    },
  };
}

/** The same content keeps its name, so a picture on three faces is one picture. */
function pictureIdOf(job: Job, ref: PictureRef): string {
  const known = Object.entries(job.pictures).find(([, p]) => p.sha256 === ref.sha256);
  return known?.[0] ?? `p${ref.sha256.slice(0, 12)}`;
}
