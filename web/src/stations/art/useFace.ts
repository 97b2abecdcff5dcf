import {
  boxOf,
  EMPTY_FACE,
  idOf,
  type ArtObject,
  type Box,
  type FaceArt,
  type FacePlan,
  type Job,
  type LaidItem,
  type PicturePlacement,
  type PictureRef,
  type TextBlock,
} from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view.ts';
import type { StationProps } from '../parts.ts';

export const PLAIN_PLACEMENT = { zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false } as const;

/** The face in hand and the ways to change it. */
export interface FaceInHand {
  readonly face: FacePlan;
  readonly art: FaceArt;
  /** Words or an object that is picked out, if any. */
  readonly item: LaidItem | null;
  readonly setFace: (part: Partial<FaceArt>, key?: string) => void;
  readonly setText: (id: string, part: Partial<TextBlock>, key?: string) => void;
  readonly setObject: (id: string, part: Partial<ArtObject>, key?: string) => void;
  /** Moves several things at once, as one change. */
  readonly move: (shifts: ReadonlyMap<string, { readonly xMm: number; readonly yMm: number }>, key?: string) => void;
  readonly add: (things: { readonly texts?: readonly TextBlock[]; readonly objects?: readonly ArtObject[] }) => void;
  readonly remove: (id: string) => void;
  readonly pick: (id: string | null) => void;
  readonly placePicture: (ref: PictureRef) => void;
  /** Puts a picture among the job’s own and gives its name there. */
  readonly keepPicture: (ref: PictureRef) => { readonly pictureId: string; readonly change: Change };
  readonly changeAll: (changes: readonly Change[]) => void;
}
interface Change {
  readonly path: readonly string[];
  readonly value: unknown;
}

/** What of an item the eye sees: the ink of words, the box of anything else. */
export const seenBox = (item: LaidItem): Box =>
  item.kind === 'text' ? (item.set.ink ?? item.set.box) : boxOf(item.object);

export const isLocked = (item: LaidItem): boolean =>
  Boolean(item.kind === 'text' ? item.block.locked : item.object.locked);

export function useFace({ job, plan }: StationProps): FaceInHand {
  const change = useJob((s) => s.change);
  const wanted = useView((s) => s.face);
  const itemId = useView((s) => s.itemId);
  const set = useView((s) => s.set);
  const face = plan.art.faces.find((f) => f.face.id === wanted) ?? plan.art.faces[0]!;
  const id = face.face.id;
  const art = job.art.faces[id] ?? EMPTY_FACE;
  const path = ['art', 'faces', id];
  const objects = art.objects ?? [];
  const setFace = (part: Partial<FaceArt>, key?: string): void => change([{ path, value: { ...art, ...part } }], key);
  const keepPicture = (ref: PictureRef) => {
    const pictureId = pictureIdOf(job, ref);
    return { pictureId, change: { path: ['pictures', pictureId], value: ref } };
  };
  return {
    face,
    art,
    item: face.items.find((one) => idOf(one) === itemId) ?? null,
    setFace,
    setText: (textId, part, key) =>
      setFace({ texts: art.texts.map((t) => (t.id === textId ? { ...t, ...part } : t)) }, key),
    setObject: (objectId, part, key) =>
      setFace({ objects: objects.map((o) => (o.id === objectId ? ({ ...o, ...part } as ArtObject) : o)) }, key),
    move: (shifts, key) =>
      setFace(
        {
          texts: art.texts.map((t) => shifted(t, shifts)),
          ...(art.objects ? { objects: objects.map((o) => shifted(o, shifts)) } : {}),
        },
        key,
      ),
    add: ({ texts = [], objects: more = [] }) => {
      // What is added lies before everything else.
      const order = [...face.items.map(idOf), ...more.map((o) => o.id), ...texts.map((t) => t.id)];
      setFace({
        texts: [...art.texts, ...texts],
        ...(more.length > 0 ? { objects: [...objects, ...more] } : {}),
        order,
      });
      set({ itemId: (texts.at(-1) ?? more.at(-1))?.id ?? null });
    },
    remove: (gone) => {
      setFace({ texts: art.texts.filter((t) => t.id !== gone), objects: objects.filter((o) => o.id !== gone) });
      set({ itemId: null });
    },
    pick: (picked) => set({ itemId: picked }),
    placePicture: (ref) => {
      const { pictureId, change: kept } = keepPicture(ref);
      const picture: PicturePlacement = { pictureId, ...PLAIN_PLACEMENT };
      change([kept, { path, value: { ...art, picture } }]);
    },
    keepPicture,
    changeAll: (changes) => change(changes),
  };
}

function shifted<T extends { readonly id: string; readonly leftMm: number; readonly topMm: number }>(
  thing: T,
  shifts: ReadonlyMap<string, { readonly xMm: number; readonly yMm: number }>,
): T {
  const by = shifts.get(thing.id);
  return by ? { ...thing, leftMm: hundredth(thing.leftMm + by.xMm), topMm: hundredth(thing.topMm + by.yMm) } : thing;
}

/** Finer than any printer’s dot, and short enough to read in a job file. */
export const hundredth = (mm: number): number => Math.round(mm * 100) / 100;

export const newId = (): string => crypto.randomUUID().slice(0, 8);

/** The same content keeps its name, so a picture on three faces is one picture. */
export function pictureIdOf(job: Job, ref: PictureRef): string {
  const known = Object.entries(job.pictures).find(([, p]) => p.sha256 === ref.sha256);
  return known?.[0] ?? `p${ref.sha256.slice(0, 12)}`;
}
