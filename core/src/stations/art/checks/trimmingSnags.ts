import { overlaps } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import { fixed } from '../../../ground/length/rounding.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { decide, decideEach } from '../../../job/decide.ts';
import { count, figure, length, plural, words } from '../../../job/figures.ts';
import type { Figure, Remedy, Snag } from '../../../job/findings.ts';
import { wantedOf } from '../../../job/namesList.ts';
import { stockOf } from '../../../job/pick.ts';
import type { Job } from '../../../job/types.ts';
import { layAdhesive } from '../../../workshop/adhesives.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { adhesiveSnag } from '../../size/adhesiveSnag.ts';
import { isOf } from '../../size/formats/index.ts';
import type { SizePlan } from '../../size/planSize.ts';
import type { PlacedTrimming } from '../../size/trimmings.ts';
import { boxOf, type FacePlan } from '../faces/items.ts';

/** A shut card that something holds open by this much gapes for all to see. Our starting value. */
const GAPES_MM = 2;
/** What a spine is wider than what it makes room for. Our starting value. */
const SPINE_EASE_MM = 1;
const SLIGHT_MM = 0.05;

/** What is put on faces by hand and would hang over, fall off, hide words, hold the card open, or run out. */
export function trimmingSnags(
  job: Job,
  workshop: Workshop,
  size: Pick<SizePlan, 'trimmings' | 'faces' | 'layers' | 'options'>,
  faces: readonly FacePlan[],
): readonly Snag[] {
  const { placed } = size.trimmings;
  return [
    ...placed.flatMap((one) => {
      const face = faces.find(({ face: { id } }) => id === one.faceId)!;
      return [
        ...hangsOver(job, workshop, one, face),
        ...holds(job, workshop, size, one),
        ...hides(job, one, face, placed),
      ];
    }),
    ...gapes(job, workshop, size),
    ...short(job, placed),
  ];
}

const nameOf = ({ trimming, faceName }: PlacedTrimming): string =>
  `The ${trimming.name.toLowerCase()} on the ${faceName.toLowerCase()}`;

const takeOff = (job: Job, { choice }: PlacedTrimming): Remedy => ({
  label: 'Take it off',
  changes: [
    decide(
      (at) => at.trimmings,
      job.trimmings!.filter(({ id }) => id !== choice.id),
    ),
  ],
});

/** Its middle at another place, to a tenth of a millimetre. */
const moveTo = (label: string, { index }: PlacedTrimming, xMm: Mm, yMm: Mm): Remedy => ({
  label,
  changes: decideEach((at) => at.trimmings.at(index), { xMm: tenths(xMm), yMm: tenths(yMm) }),
});
const tenths = (mm: Mm): Mm => Math.round(mm * 10) / 10;

function hangsOver(job: Job, { unit }: Workshop, one: PlacedTrimming, { face }: FacePlan): readonly Snag[] {
  const { box, choice, trimming } = one;
  // It is there to hold two things together.
  if (trimming.kind === 'sticker') return [];
  const over = Math.max(
    -box.xMm,
    -box.yMm,
    box.xMm + box.widthMm - face.widthMm,
    box.yMm + box.heightMm - face.heightMm,
  );
  if (over <= SLIGHT_MM) return [];
  const fits = box.widthMm <= face.widthMm && box.heightMm <= face.heightMm;
  const within = (middle: Mm, size: Mm, room: Mm): Mm => Math.min(room - size / 2, Math.max(size / 2, middle));
  return [
    {
      id: `art-trimming-over-${choice.id}`,
      station: 'art',
      level: 'warn',
      title: `${nameOf(one)} reaches ${formatLength(over, unit)} past its edge`,
      why: 'It stands out of the shut card, where an envelope catches it, or lies across a fold, which it stops.',
      remedies: [
        ...(fits
          ? [
              moveTo(
                'Move it on to the face',
                one,
                within(choice.xMm, box.widthMm, face.widthMm),
                within(choice.yMm, box.heightMm, face.heightMm),
              ),
            ]
          : []),
        takeOff(job, one),
      ],
    },
  ];
}

function holds(
  job: Job,
  workshop: Workshop,
  { layers }: Pick<SizePlan, 'layers'>,
  one: PlacedTrimming,
): readonly Snag[] {
  const { adhesive, laying, trimming, choice, index, faceId } = one;
  if (!adhesive || !laying) return [];
  // What is glued to a mat is glued to the uppermost.
  const under = layers.filter((layer) => layer.faceId === faceId).at(-1)?.stock ?? stockOf(job, workshop);
  return adhesiveSnag(workshop, {
    ...{ id: `art-trimming-holds-${choice.id}`, station: 'art', what: nameOf(one), adhesive, laying },
    ...{ loadGrams: trimming.grams, gsm: under.gsm },
    wouldHold: (other) => layAdhesive(other, trimming, trimming.grams).ok,
    use: (id) => [decide((at) => at.trimmings.at(index).adhesiveId, id)],
  });
}

const CLEAR_STEP_MM = 2;

/** Words and codes that nobody can read under it. */
function hides(
  job: Job,
  one: PlacedTrimming,
  { face, items }: FacePlan,
  placed: readonly PlacedTrimming[],
): readonly Snag[] {
  const read = items.flatMap((item): readonly { readonly box: Box; readonly what: string }[] => {
    if (item.kind === 'text')
      return item.set.ink ? [{ box: item.set.ink, what: `“${item.block.text.split('\n')[0]!.slice(0, 28)}”` }] : [];
    return item.kind === 'code' ? [{ box: boxOf(item.object), what: 'the code' }] : [];
  });
  const hidden = read.filter(({ box }) => overlaps(box, one.box));
  if (hidden.length === 0) return [];
  const { widthMm, heightMm } = one.box;
  const taken = [
    ...read.map(({ box }) => box),
    ...placed.filter((other) => other !== one && other.faceId === one.faceId).map(({ box }) => box),
  ];
  const { xMm, yMm } = one.choice;
  let nearest: { readonly x: Mm; readonly y: Mm; readonly away: Mm } | null = null;
  for (let x = widthMm / 2; x <= face.widthMm - widthMm / 2 + 1e-9; x += CLEAR_STEP_MM)
    for (let y = heightMm / 2; y <= face.heightMm - heightMm / 2 + 1e-9; y += CLEAR_STEP_MM) {
      const box = { xMm: tenths(x) - widthMm / 2, yMm: tenths(y) - heightMm / 2, widthMm, heightMm };
      const away = Math.hypot(x - xMm, y - yMm);
      if ((!nearest || away < nearest.away) && taken.every((other) => !overlaps(other, box))) nearest = { x, y, away };
    }
  return [
    {
      id: `art-trimming-hides-${one.choice.id}`,
      station: 'art',
      level: 'warn',
      title: `${nameOf(one)} lies on ${hidden[0]!.what}`,
      why: 'What lies under it cannot be read.',
      remedies: [...(nearest ? [moveTo('Move it clear', one, nearest.x, nearest.y)] : []), takeOff(job, one)],
    },
  ];
}

/** Between the panels of a shut card, it holds them apart by what a spine or a gusset leaves no room for. */
function gapes(
  job: Job,
  { unit }: Workshop,
  { trimmings, options }: Pick<SizePlan, 'trimmings' | 'options'>,
): readonly Snag[] {
  const { format } = job.size;
  const { insideMm } = trimmings;
  const hasSpine = isOf(format, 'spineMm');
  const gapeMm = insideMm - (hasSpine ? options.spineMm : isOf(format, 'flapRoomMm') ? options.flapRoomMm : 0);
  if (gapeMm < GAPES_MM) return [];
  const spineMm = Math.ceil((insideMm + SPINE_EASE_MM) * 2) / 2;
  const wide = decide((at) => at.size.options.spineMm, spineMm);
  return [
    {
      id: 'art-trimming-gapes',
      station: 'art',
      level: 'note',
      title: `The shut card gapes by ${formatLength(gapeMm, unit)}`,
      why: 'What lies between its panels holds them apart, and presses on what faces it.',
      remedies: hasSpine
        ? [{ label: `Make its spine ${formatLength(spineMm, unit)}`, changes: [wide] }]
        : format === 'sideFold'
          ? [
              {
                label: `Give it a spine of ${formatLength(spineMm, unit)}`,
                changes: [decide((at) => at.size.format, 'spineFold'), wide],
              },
            ]
          : [],
    },
  ];
}

/** More are wanted than lie there. */
function short(job: Job, placed: readonly PlacedTrimming[]): readonly Snag[] {
  const kinds = new Map(placed.map(({ trimming }) => [trimming.id, trimming]));
  return [...kinds.values()].flatMap((trimming): readonly Snag[] => {
    const each = placed.filter((one) => one.trimming.id === trimming.id).length;
    const needed = each * wantedOf(job);
    const lacking = needed - trimming.onShelf;
    if (lacking <= 0) return [];
    return [
      {
        id: `art-trimming-short-${trimming.id}`,
        station: 'art',
        level: 'warn',
        title: `${lacking} short of ${trimming.name}`,
        why: `${each} on each of ${wantedOf(job)} ${plural(wantedOf(job), 'card')} takes ${needed}; the shelf holds ${trimming.onShelf}.`,
        remedies: [],
      },
    ];
  });
}

/** What the trimmings come to; nothing where there are none. */
export function trimmingFigures({ trimmings: { placed, addedMm } }: Pick<SizePlan, 'trimmings'>): readonly Figure[] {
  if (placed.length === 0) return [];
  const grams = placed.reduce((sum, { trimming }) => sum + trimming.grams, 0);
  return [
    figure(
      'trimmings',
      'Fixed by hand',
      count(placed.length, 'piece'),
      'things from the shelf on the faces of one card',
      {
        'They weigh': words(`${fixed(grams, 2)} g`),
      },
    ),
    figure(
      'trimmings-thick',
      'They add to the shut card',
      length(addedMm),
      'where most of them lie over each other once it is shut, each with what holds it',
      Object.fromEntries(
        placed.map(({ trimming, faceName, standsMm, choice }) => [
          `${trimming.name}, ${faceName.toLowerCase()} (${choice.id})`,
          length(standsMm),
        ]),
      ),
    ),
  ];
}
