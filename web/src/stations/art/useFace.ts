import { facesOf } from './facesOf.ts';
import {
  decide,
  DEFAULTS,
  boxOf,
  EMPTY_FACE,
  freeTop,
  idOf,
  inOrder,
  type ArtObject,
  type Box,
  type FaceArt,
  type FacePlan,
  type Job,
  type JobChange,
  type JobPlace,
  type LaidItem,
  type OwnTypeface,
  type PicturePlacement,
  type PictureRef,
  type TextBlock,
} from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { useNotice } from '../../stores/notice.ts';
import { useView } from '../../stores/view/index.ts';
import type { StationProps } from '../parts.ts';

export interface Things {
  readonly texts?: readonly TextBlock[];
  readonly objects?: readonly ArtObject[];
}

/** Pictures and typefaces, by what a job calls them. */
export interface Kept {
  readonly pictures?: Job['pictures'];
  readonly typefaces?: NonNullable<Job['typefaces']>;
}

/** The face in hand and the ways to change it. */
export interface FaceInHand {
  readonly face: FacePlan;
  readonly art: FaceArt;
  /** What lies on it from back to front, as the job has it now; a plan may be a press behind. */
  readonly items: readonly LaidItem[];
  /** What is picked out, in the order it was; with what was typed last, which the plan may not know yet. */
  readonly picked: readonly LaidItem[];
  /** The one thing that is picked out, where it is only one. */
  readonly item: LaidItem | null;
  readonly setFace: (part: Partial<FaceArt>, key?: string) => void;
  readonly setText: (id: string, part: Partial<TextBlock>, key?: string) => void;
  /** Sets words in a typeface, which the job names from now on where it is the maker’s own. */
  readonly setInTypeface: (
    textId: string,
    part: Partial<TextBlock>,
    brought: { readonly id: string; readonly own: OwnTypeface } | null,
  ) => void;
  readonly setObject: (id: string, part: Partial<ArtObject>, key?: string) => void;
  readonly setThings: (ids: readonly string[], part: { readonly locked: boolean }) => void;
  /** Moves several things at once, as one change. */
  readonly move: (shifts: ReadonlyMap<string, { readonly xMm: number; readonly yMm: number }>, key?: string) => void;
  /** Where a thing lies as the job says now; a plan made while it is dragged is a step behind. */
  readonly placeOf: (id: string) => { readonly leftMm: number; readonly topMm: number } | null;
  /** The face’s own picture as the job has it now. */
  readonly pictureNow: () => PicturePlacement | null;
  /** Adds things, and names what they show among the job’s own. */
  readonly add: (things: Things, kept?: Kept) => void;
  readonly remove: (ids: readonly string[]) => void;
  readonly pick: (id: string | null) => void;
  /** Picks one more out, or lets it go. */
  readonly pickAlso: (id: string) => void;
  readonly pickAll: (ids: readonly string[]) => void;
  /** Top of a place for a new thing where it hides no other. */
  readonly topFor: (wantMm: number, heightMm: number) => number;
  readonly placePicture: (ref: PictureRef) => void;
  /** Puts a picture among the job’s own and gives its name there. */
  readonly keepPicture: (ref: PictureRef) => { readonly pictureId: string; readonly change: JobChange };
  readonly changeAll: (changes: readonly JobChange[]) => void;
}

/** What of an item the eye sees: the ink of words, the box of anything else. */
export const seenBox = (item: LaidItem): Box =>
  item.kind === 'text' ? (item.set.ink ?? item.set.box) : boxOf(item.object);

export const thingOf = (item: LaidItem): TextBlock | ArtObject => (item.kind === 'text' ? item.block : item.object);

export const isLocked = (item: LaidItem): boolean => Boolean(thingOf(item).locked);

/** A laid thing with what the job says of it now. */
function withNewest(item: LaidItem, { texts, objects = [] }: FaceArt): LaidItem {
  if (item.kind === 'text') return { ...item, block: texts.find(({ id }) => id === item.block.id) ?? item.block };
  const object = objects.find(({ id, kind }) => id === item.object.id && kind === item.kind) ?? item.object;
  return { ...item, object } as LaidItem;
}

export function useFace({ job, plan }: StationProps): FaceInHand {
  const change = useJob((s) => s.change);
  const wanted = useView((s) => s.face);
  const itemIds = useView((s) => s.itemIds);
  const { pickItems } = useView.getState();
  const face = facesOf(plan).find((f) => f.face.id === wanted) ?? plan.art.faces[0]!;
  const id = face.face.id;
  const art = job.art.faces[id] ?? EMPTY_FACE;
  const onFace = (job: JobPlace) => job.art.faces.at(id);
  // What is changed is the job as it is at that moment: the one that was drawn may be a few keys old.
  const now = (): FaceArt => (useJob.getState().job ?? job).art.faces[id] ?? EMPTY_FACE;
  const setFace = (part: Partial<FaceArt>, key?: string): void => change([decide(onFace, { ...now(), ...part })], key);
  const setObjects = (with_: (o: ArtObject) => ArtObject): Pick<FaceArt, 'objects'> => {
    const { objects } = now();
    return objects ? { objects: objects.map(with_) } : {};
  };
  const keepPicture = (ref: PictureRef) => {
    const pictureId = pictureIdOf(useJob.getState().job ?? job, ref);
    return { pictureId, change: decide((job) => job.pictures.at(pictureId), ref) };
  };
  const items = inOrder(
    face.items.map((item) => withNewest(item, art)),
    art.order,
  );
  const picked = itemIds.flatMap((one) => items.find((item) => idOf(item) === one) ?? []);
  return {
    face,
    art,
    items,
    picked,
    item: picked.length === 1 ? picked[0]! : null,
    setFace,
    setText: (textId, part, key) =>
      setFace({ texts: now().texts.map((t) => (t.id === textId ? { ...t, ...part } : t)) }, key),
    setInTypeface: (textId, part, brought) =>
      change([
        ...(brought ? [decide((job) => job.typefaces.at(brought.id), brought.own)] : []),
        decide(onFace, { ...now(), texts: now().texts.map((t) => (t.id === textId ? { ...t, ...part } : t)) }),
      ]),
    setObject: (objectId, part, key) =>
      setFace(
        setObjects((o) => (o.id === objectId ? ({ ...o, ...part } as ArtObject) : o)),
        key,
      ),
    setThings: (ids, part) =>
      setFace({
        texts: now().texts.map((t) => (ids.includes(t.id) ? { ...t, ...part } : t)),
        ...setObjects((o) => (ids.includes(o.id) ? { ...o, ...part } : o)),
      }),
    move: (shifts, key) =>
      setFace({ texts: now().texts.map((t) => shifted(t, shifts)), ...setObjects((o) => shifted(o, shifts)) }, key),
    placeOf: (one) => [...now().texts, ...(now().objects ?? [])].find((thing) => thing.id === one) ?? null,
    pictureNow: () => now().picture,
    add: ({ texts = [], objects: more = [] }, { pictures = {}, typefaces = {} } = {}) => {
      const had = now();
      const here = new Set([...had.texts, ...(had.objects ?? [])].map(({ id }) => id));
      // What is added lies before everything else, what was added just before among it.
      const lying = [...items.map(idOf), ...(had.order ?? [])].filter((id) => here.has(id));
      const order = [...lying, ...more.map((o) => o.id), ...texts.map((t) => t.id)];
      const value: FaceArt = {
        ...had,
        texts: [...had.texts, ...texts],
        ...(more.length > 0 ? { objects: [...(had.objects ?? []), ...more] } : {}),
        order: [...new Set(order)],
      };
      change([
        ...Object.entries(pictures).map(([name, ref]) => decide((job) => job.pictures.at(name), ref)),
        ...Object.entries(typefaces).map(([name, ref]) => decide((job) => job.typefaces.at(name), ref)),
        decide(onFace, value),
      ]);
      pickItems([...more, ...texts].map((one) => one.id));
    },
    remove: (gone) => {
      const { texts, objects } = now();
      setFace({
        texts: texts.filter((t) => !gone.includes(t.id)),
        ...(objects ? { objects: objects.filter((o) => !gone.includes(o.id)) } : {}),
      });
      pickItems([]);
      const back = {
        texts: texts.filter((t) => gone.includes(t.id)),
        objects: (objects ?? []).filter((o) => gone.includes(o.id)),
      };
      const many = back.texts.length + back.objects.length;
      const jobId = useJob.getState().id;
      useNotice
        .getState()
        .say(`${many === 1 ? 'One thing is' : `${many} things are`} off the ${face.face.name.toLowerCase()}.`, () => {
          const here = useJob.getState();
          if (here.id !== jobId || !here.job) throw new Error('Open the job it was taken from.');
          const then = here.job.art.faces[id] ?? EMPTY_FACE;
          here.change([
            decide(onFace, {
              ...then,
              texts: [...then.texts, ...back.texts],
              ...(back.objects.length > 0 ? { objects: [...(then.objects ?? []), ...back.objects] } : {}),
            }),
          ]);
        });
    },
    pick: (one) => pickItems(one === null ? [] : [one]),
    pickAlso: (one) => pickItems(itemIds.includes(one) ? itemIds.filter((other) => other !== one) : [...itemIds, one]),
    pickAll: pickItems,
    topFor: (wantMm, heightMm) =>
      Math.round(freeTop(face.items.map(seenBox), face.safe, { topMm: wantMm, heightMm }) * 10) / 10,
    placePicture: (ref) => {
      const { pictureId, change: kept } = keepPicture(ref);
      const picture: PicturePlacement = { pictureId, ...DEFAULTS.placement };
      change([kept, decide(onFace, { ...now(), picture })]);
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
