import { apply, invert } from '../../ground/geometry/affine.ts';
import { readFaces } from '../../ground/fold/readFaces.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import { boxAround } from '../../ground/geometry/box.ts';
import type { Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { freshId } from '../../job/freshId.ts';
import { decide, type JobChange } from '../../job/decide.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import type { FormatOptions } from '../../job/format.ts';
import { WRAP_STARTS } from '../../job/layerKinds.ts';
import type { Job, TrimmingChoice } from '../../job/types.ts';
import { trimmingsOf } from '../../workshop/putOn.ts';
import type { Trimming, Workshop } from '../../workshop/types.ts';

/** A magnet’s edge keeps so far from the flap’s end. Our starting value. */
const MAGNET_IN_MM = 4;

/** Faces of a wallet that what keeps it shut lies on. */
const ON_FLAP: ReadonlySet<string> = new Set(['flap', 'insideFlap']);

/** A flap without a tab is kept shut by something on it or round it; where nothing is, what would. */
export function shutSnags(
  job: Job,
  workshop: Workshop,
  { form, options }: { readonly form: FoldedForm; readonly options: FormatOptions },
): readonly Snag[] {
  if (options.walletCloses !== 'other') return [];
  const isKept =
    (job.trimmings ?? []).some(({ faceId }) => ON_FLAP.has(faceId)) ||
    job.size.layers.some(({ kind }) => kind === 'band' || kind === 'sleeve') ||
    (job.ribbon ?? null) !== null;
  if (isKept) return [];
  const of = (kind: Trimming['kind']): Trimming | undefined => trimmingsOf(workshop).find((one) => one.kind === kind);
  const [magnet, sticker] = [of('magnet'), of('sticker')];
  return [
    {
      id: 'size-wallet-shuts',
      station: 'size',
      level: 'warn',
      title: 'Nothing keeps the flap shut',
      why: 'It has no tab. Magnets lie under its end, a sticker over it, a band or a ribbon goes round the whole.',
      remedies: [
        ...(magnet
          ? [{ label: `Put two of ${magnet.name} under it`, changes: magnetsUnder(job, form, options, magnet) }]
          : []),
        ...(sticker ? [{ label: `Put ${sticker.name} over its end`, changes: stickerOver(job, form, sticker) }] : []),
        bandRound(job),
        { label: 'Shut it by a tab in a slit', changes: [decide((at) => at.size.options.walletCloses, 'tab')] },
      ],
    },
  ];
}

/** A place on the blank, in the frame of a face. */
function onFace(
  form: FoldedForm,
  faceId: string,
  at: Point,
): { readonly faceId: string; readonly xMm: Mm; readonly yMm: Mm } {
  const face = readFaces(form).find(({ id }) => id === faceId)!;
  const { xMm, yMm } = apply(invert(face.toBlank), at);
  return { faceId, xMm: Math.round(xMm * 10) / 10, yMm: Math.round(yMm * 10) / 10 };
}

const boxOf = (form: FoldedForm, panelId: string) =>
  boxAround(form.blank.panels.find(({ id }) => id === panelId)!.outline);

function put(
  job: Job,
  trimming: Trimming,
  places: readonly Pick<TrimmingChoice, 'faceId' | 'xMm' | 'yMm'>[],
): JobChange {
  return decide(
    (at) => at.trimmings,
    places.reduce<readonly TrimmingChoice[]>(
      (all, place) => [...all, { id: freshId('shut', all), trimmingId: trimming.id, ...place, adhesiveId: null }],
      job.trimmings ?? [],
    ),
  );
}

/**
 * One inside the flap’s end, one on the front under it. Derivation: the flap’s strip lays the flap’s fold over the front’s
 * free edge, so what lies so far from the one lies as far from the other.
 */
function magnetsUnder(job: Job, form: FoldedForm, { closeMm }: FormatOptions, magnet: Trimming): readonly JobChange[] {
  const inMm = closeMm - MAGNET_IN_MM - magnet.widthMm / 2;
  const [flap, front] = [boxOf(form, 'flap'), boxOf(form, 'front')];
  const middle = flap.yMm + flap.heightMm / 2;
  const places = [
    onFace(form, 'insideFlap', { xMm: flap.xMm + flap.widthMm - inMm, yMm: middle }),
    onFace(form, 'front', { xMm: front.xMm + front.widthMm - inMm, yMm: middle }),
  ];
  return [put(job, magnet, places), decide((at) => at.size.options.flapRoomMm, 2 * magnet.thickMm)];
}

/** Half on the flap’s end, half on the front. */
function stickerOver(job: Job, form: FoldedForm, sticker: Trimming): readonly JobChange[] {
  const flap = boxOf(form, 'flap');
  return [put(job, sticker, [onFace(form, 'flap', { xMm: flap.xMm, yMm: flap.yMm + flap.heightMm / 2 })])];
}

const bandRound = (job: Job): Remedy => ({
  label: 'Put a band round it',
  changes: [
    decide(
      (at) => at.size.layers,
      [
        ...job.size.layers,
        {
          ...{ id: freshId('band', job.size.layers), kind: 'band', faces: [], revealMm: 0 },
          ...{ stockIds: [job.stock.stockId], wrap: WRAP_STARTS.band },
        },
      ],
    ),
  ],
});
