import { newJob } from '../../job/newJob.ts';
import { check, checkJob, checkWorkshop, type Checked } from './check.ts';
import { jobFileSchema } from './jobSchema.ts';
import type { StoredWorkshop } from './workshopSchema.ts';
import { isOwnTypeface } from '../../job/ownTypeface.ts';
import type { FaceArt, Job, OwnTypeface, PictureRef } from '../../job/types.ts';
import type { Workshop } from '../../workshop/types.ts';

export { readSharedOrder } from './readSharedOrder.ts';
export { check, checkJob, checkWorkshop, type Checked, type StoredWorkshop };

/** Where something that a job file uses is to be found. */
export type Source<Ref> =
  | { readonly kind: 'file'; readonly file: string }
  | { readonly kind: 'data'; readonly base64: string }
  | { readonly kind: 'stored'; readonly ref: Ref };
type Sources<Ref> = Readonly<Record<string, { readonly name: string; readonly source: Source<Ref> }>>;

export interface JobFile {
  /** Its pictures and typefaces are filled in by whoever can fetch them. */
  readonly job: Job;
  readonly pictures: Sources<PictureRef>;
  /** Typefaces of whoever wrote it; what is stored may not be stored here, and is stood in for then. */
  readonly typefaces: Sources<OwnTypeface>;
}

type PartialJob = { readonly brief: Partial<Job['brief']> & { readonly title: string } } & {
  readonly [
    K in Exclude<
      keyof Job,
      'brief' | 'format' | 'version' | 'pictures' | 'typefaces' | 'names' | 'ribbon' | 'trimmings'
    >
  ]?: Partial<Job[K]>;
} & {
  readonly names?: Job['names'];
  readonly trimmings?: Job['trimmings'];
  readonly ribbon?: Job['ribbon'];
  readonly pictures?: Readonly<
    Record<string, Partial<PictureRef> & { readonly name: string; readonly file?: string; readonly data?: string }>
  >;
  readonly typefaces?: Readonly<
    Record<string, Partial<OwnTypeface> & { readonly name: string; readonly file?: string; readonly data?: string }>
  >;
};

/**
 * Reads a job file that has been parsed as JSON. Lengths may be numbers of millimetres or text with a
 * unit; whatever is left out takes the value a new job would have.
 * @returns the job, or the field that is wrong and what it wants
 */
export function readJobFile(value: unknown, workshop: Workshop): Checked<JobFile> {
  const checked = check<PartialJob>(jobFileSchema, value, 'the job file');
  if (!checked.ok) return checked;
  const file = checked.value;
  const base = newJob(file.brief.title, workshop);
  const job: Job = {
    ...base,
    brief: { ...base.brief, ...file.brief },
    size: { ...base.size, ...file.size },
    art: { faces: file.art?.faces ?? {} },
    ...(file.names ? { names: file.names } : {}),
    ...(file.ribbon ? { ribbon: file.ribbon } : {}),
    ...(file.trimmings ? { trimmings: file.trimmings } : {}),
    stock: { ...base.stock, ...file.stock },
    sheet: { ...base.sheet, ...file.sheet },
    cut: { ...base.cut, ...file.cut },
    crease: { ...base.crease, ...file.crease },
    envelope: { ...base.envelope, ...file.envelope },
    make: { ...base.make, ...file.make },
    sell: { ...base.sell, ...file.sell },
  };
  const pictures: Record<string, { name: string; source: Source<PictureRef> }> = {};
  for (const [id, entry] of Object.entries(file.pictures ?? {})) {
    const { name, file: path, data, sha256, mime, widthPx, heightPx, inkTotal, pageWidthMm } = entry;
    if (data !== undefined) pictures[id] = { name, source: { kind: 'data', base64: data } };
    else if (path !== undefined) pictures[id] = { name, source: { kind: 'file', file: path } };
    else if (sha256 && mime && widthPx && heightPx)
      pictures[id] = {
        name,
        source: {
          kind: 'stored',
          ref: {
            ...{ name, sha256, mime, widthPx, heightPx },
            ...(inkTotal === undefined ? {} : { inkTotal }),
            ...(pageWidthMm === undefined ? {} : { pageWidthMm }),
          },
        },
      };
    else
      return {
        ok: false,
        field: `pictures.${id}`,
        why: `pictures.${id} wants a file or its data, or sha256 with mime, widthPx and heightPx.`,
      };
  }
  const named = [
    ...Object.entries(job.art.faces).flatMap(([face, art]) =>
      pictureIdsOf(art).map(([place, id]) => [`art.faces.${face}.${place}`, id] as const),
    ),
    ...job.size.layers.flatMap(({ picture, backPicture }, i) => [
      ...(picture ? [[`size.layers.${i}.picture.pictureId`, picture.pictureId] as const] : []),
      ...(backPicture ? [[`size.layers.${i}.backPicture.pictureId`, backPicture.pictureId] as const] : []),
    ]),
  ];
  for (const [field, id] of named)
    if (!(id in pictures))
      return { ok: false, field, why: `${field} names “${id}”, which is not among the pictures; add it there.` };
  const typefaces = Object.fromEntries(
    Object.entries(file.typefaces ?? {}).map(([id, { name, file: path, data, sha256 }]) => {
      const source: Source<OwnTypeface> =
        data !== undefined
          ? { kind: 'data', base64: data }
          : path !== undefined
            ? { kind: 'file', file: path }
            : { kind: 'stored', ref: { name, sha256: sha256! } };
      return [id, { name, source }] as const;
    }),
  );
  const set = Object.entries(job.art.faces).flatMap(([face, { texts }]) =>
    texts.flatMap(({ typefaceId, emphasis }, i) => [
      [`art.faces.${face}.texts.${i}.typefaceId`, typefaceId] as const,
      ...(emphasis ? [[`art.faces.${face}.texts.${i}.emphasis.typefaceId`, emphasis.typefaceId] as const] : []),
    ]),
  );
  for (const [field, id] of set)
    if (isOwnTypeface(id) && !(id in typefaces))
      return { ok: false, field, why: `${field} names “${id}”, which is not among the typefaces; add it there.` };
  return { ok: true, value: { job, pictures, typefaces } };
}

/** Every place of a face that names a picture, and the name. */
const pictureIdsOf = ({ picture, pattern, objects = [] }: FaceArt): readonly (readonly [string, string])[] => [
  ...(picture ? [['picture.pictureId', picture.pictureId] as const] : []),
  ...(pattern ? [['pattern.pictureId', pattern.pictureId] as const] : []),
  ...objects.flatMap((object, i) =>
    object.kind === 'picture' ? [[`objects.${i}.picture.pictureId`, object.picture.pictureId] as const] : [],
  ),
];
