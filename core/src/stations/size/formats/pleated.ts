import type { FoldStep } from '../../../ground/fold/types.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { behindOpen, form, inner, outer, strip, type StripCrease, type StripPart } from './strip.ts';
import type { FormatOptions } from '../../../job/format.ts';
import type { FormOf, Paper } from './types.ts';

/** Pleats stand with this much turned at every crease. */
const PLEAT_STANDING_DEG = 75;
const ORDINAL = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
  'eleventh',
];

const door = (heightMm: Mm, parts: readonly StripPart[], ids: readonly string[]) =>
  strip(
    parts,
    ids.map((id): StripCrease => ({ id, direction: 'mountain' })),
    heightMm,
  );

export const gateFold: FormOf = ({ widthMm, heightMm }, { gapMm }) => {
  const doorMm = (widthMm - gapMm) / 2;
  const blank = door(
    heightMm,
    [
      { id: 'doorRight', name: 'Right door', widthMm: doorMm },
      { id: 'centre', name: 'Centre', widthMm },
      { id: 'doorLeft', name: 'Left door', widthMm: doorMm },
    ],
    ['hingeRight', 'hingeLeft'],
  );
  return form(blank, {
    steps: [{ creaseIds: ['hingeRight', 'hingeLeft'], says: 'Fold both doors in until they meet.' }],
    front: 'doorLeft',
    rests: 'centre',
    standing: { hingeRight: 115, hingeLeft: 115 },
    faces: [
      outer('doorLeft', 'front', 'Left door', 'front'),
      outer('doorRight', 'frontRight', 'Right door', 'front'),
      inner('doorLeft', 'insideFront', 'Inside left'),
      inner('centre', 'insideMiddle', 'Inside middle'),
      inner('doorRight', 'insideBack', 'Inside right'),
      outer('centre', 'back', 'Back', 'behind'),
    ],
  });
};

/**
 * What a panel loses for lying inside a fold: a millimetre, or what the paper’s own thickness asks.
 * The bend round a pile of `enclosed` sheets takes π/4·(pile + caliper) on either side of its crease
 * (half of a half circle on the middle of the outer sheet); 2·caliper + ½ mm adds what hands are off by.
 */
export const wrapMm = ({ shortenMm }: FormatOptions, { caliperMm }: Paper, enclosed: number): Mm =>
  shortenMm ?? Math.max(1, 2 * caliperMm + 0.5, (Math.PI / 4) * (enclosed + 1) * caliperMm);

export const doubleGate: FormOf = ({ widthMm, heightMm }, options, paper) => {
  // One door on each half lies inside the middle bend.
  const doorMm = widthMm - wrapMm(options, paper, 2);
  const blank = door(
    heightMm,
    [
      { id: 'doorRight', name: 'Right door', widthMm: doorMm },
      { id: 'back', name: 'Back panel', widthMm },
      { id: 'front', name: 'Front panel', widthMm },
      { id: 'doorLeft', name: 'Left door', widthMm: doorMm },
    ],
    ['hingeRight', 'spine', 'hingeLeft'],
  );
  return form(blank, {
    steps: [
      { creaseIds: ['hingeRight', 'hingeLeft'], says: 'Fold both doors in.' },
      { creaseIds: ['spine'], says: 'Shut the card down its middle, doors inside.' },
    ],
    opens: 'inTurn',
    front: 'front',
    rests: 'back',
    standing: { hingeRight: 150, spine: 60, hingeLeft: 150 },
    faces: [
      outer('front', 'front', 'Front', 'front'),
      { id: 'doorLeft', name: 'Left door', panelId: 'doorLeft', side: 'outside', shut: 1, readFrom: 'front' },
      { id: 'doorRight', name: 'Right door', panelId: 'doorRight', side: 'outside', shut: 1, readFrom: 'front' },
      inner('doorLeft', 'inside1', 'Inside 1, far left'),
      inner('front', 'inside2', 'Inside 2'),
      inner('back', 'inside3', 'Inside 3'),
      inner('doorRight', 'inside4', 'Inside 4, far right'),
      outer('back', 'back', 'Back', 'behind'),
    ],
  });
};

/** Rolled from the left: every mountain turns what is rolled already onto the next panel. */
export const rollFold: FormOf = ({ widthMm, heightMm }, options, paper) => {
  const n = options.panels;
  const widths: Mm[] = [widthMm, widthMm];
  // From the back inwards; the bend round panel k holds all that is rolled before it.
  for (let k = n - 2; k >= 1; k -= 1) widths.unshift(widths[0]! - wrapMm(options, paper, k));
  const id = (i: number): string => (i === n - 1 ? 'front' : i === n - 2 ? 'back' : `roll${i + 1}`);
  const blank = door(
    heightMm,
    widths.map((w, i) => ({
      id: id(i),
      name: i === n - 1 ? 'Front panel' : i === n - 2 ? 'Back panel' : `Rolled panel ${i + 1}`,
      widthMm: w,
    })),
    widths.slice(1).map((_, i) => `fold${i + 1}`),
  );
  return form(blank, {
    steps: widths.slice(1).map((_, i): FoldStep => ({
      creaseIds: [`fold${i + 1}`],
      says:
        i === 0
          ? 'Fold the shortest panel in.'
          : i === n - 2
            ? 'Shut the front over the roll.'
            : 'Roll it on, over the next panel.',
    })),
    opens: 'inTurn',
    front: 'front',
    rests: 'back',
    standing: Object.fromEntries(widths.slice(1).map((_, i) => [`fold${i + 1}`, 65])),
    faces: [
      outer('front', 'front', 'Front', 'front'),
      ...(n === 3
        ? [{ ...outer('roll1', 'flap', 'Flap, as the front is opened', 'front'), shut: 1 } as const]
        : Array.from({ length: n - 2 }, (_, i) =>
            behindOpen(id(i), `outside${i + 1}`, `Outside, rolled panel ${i + 1}`),
          )),
      ...Array.from({ length: n }, (_, i) => inner(id(n - 1 - i), `inside${i + 1}`, `Inside ${i + 1}`)),
      outer('back', 'back', 'Back', 'behind'),
    ],
  });
};

/** Crease i of a zigzag folds away for odd i, towards for even, so the first panel’s outside is the front. */
function pleats(n: number, widthMm: Mm, heightMm: Mm, outline?: Polygon) {
  const ids = Array.from({ length: n }, (_, i) => (i === 0 ? 'front' : `panel${i + 1}`));
  const creaseIds = ids.slice(1).map((_, i) => `fold${i + 1}`);
  const blank = strip(
    ids.map((id, i) => ({ id, name: `Panel ${i + 1}`, widthMm })),
    creaseIds.map((id, i): StripCrease => ({ id, direction: i % 2 === 0 ? 'mountain' : 'valley' })),
    heightMm,
    outline ? { outline } : {},
  );
  const face = (i: number): string => (i === 0 ? 'front' : `outside${i + 1}`);
  return form(blank, {
    // From the far end inwards, so that the front is the last to be laid on the pile.
    steps: [...creaseIds].reverse().map((id, i) => ({
      creaseIds: [id],
      says: `Fold the ${ORDINAL[n - 2 - i]!} crease ${(n - 2 - i) % 2 === 0 ? 'away from' : 'towards'} the printed front.`,
    })),
    opens: 'together',
    front: 'front',
    rests: 'front',
    standing: Object.fromEntries(creaseIds.map((id) => [id, PLEAT_STANDING_DEG])),
    faces: [
      ...ids.map((panelId, i) => ({
        id: face(i),
        name: i === 0 ? 'Front' : `Outside ${i + 1}`,
        panelId,
        side: 'outside' as const,
        shut: i === 0,
        readFrom: 'front' as const,
      })),
      ...[...ids].reverse().map((panelId, i) => ({
        id: `inside${n - i}`,
        name: `Reverse ${n - i}`,
        panelId,
        side: 'inside' as const,
        shut: false,
        readFrom: 'behind' as const,
      })),
    ],
  });
}

export const zigzag: FormOf = ({ widthMm, heightMm }, { panels }) => pleats(panels, widthMm, heightMm);

export const lowestOf = ({ frontHeightMm }: FormatOptions, heightMm: Mm): Mm =>
  frontHeightMm ?? Math.round(heightMm * 0.55);

/** The top falls in one straight line from the last panel’s far edge to the first panel’s near edge. */
export const cascade: FormOf = ({ widthMm, heightMm }, options) => {
  const longMm = options.panels * widthMm;
  const low = lowestOf(options, heightMm);
  return pleats(options.panels, widthMm, heightMm, [
    { xMm: 0, yMm: heightMm - low },
    { xMm: longMm, yMm: 0 },
    { xMm: longMm, yMm: heightMm },
    { xMm: 0, yMm: heightMm },
  ]);
};

/** Back, spine, front: two right angles hold the covers a spine apart. */
export const spineFold: FormOf = ({ widthMm, heightMm }, { spineMm }) =>
  form(
    strip(
      [
        { id: 'back', name: 'Back panel', widthMm },
        { id: 'spine', name: 'Spine', widthMm: spineMm },
        { id: 'front', name: 'Front panel', widthMm },
      ],
      [
        { id: 'spineBack', direction: 'mountain', shutDeg: 90 },
        { id: 'spineFront', direction: 'mountain', shutDeg: 90 },
      ],
      heightMm,
    ),
    {
      steps: [
        { creaseIds: ['spineBack'], says: 'Fold the back to a right angle at its crease.' },
        { creaseIds: ['spineFront'], says: 'Fold the front over, keeping the spine square.' },
      ],
      front: 'front',
      rests: 'back',
      standing: { spineBack: 55, spineFront: 55 },
      faces: [
        outer('front', 'front', 'Front', 'front'),
        inner('front', 'insideFront', 'Inside left'),
        inner('spine', 'insideSpine', 'Inside spine'),
        inner('back', 'insideBack', 'Inside right'),
        outer('back', 'back', 'Back', 'behind'),
        behindOpen('spine', 'spine', 'Spine'),
      ],
    },
  );

/** Away, toward, away: the spine’s middle goes in, so that the covers lie on each other. */
export const gusset: FormOf = ({ widthMm, heightMm }, { spineMm }) =>
  form(
    strip(
      [
        { id: 'back', name: 'Back panel', widthMm },
        { id: 'gussetBack', name: 'Gusset, back half', widthMm: spineMm / 2 },
        { id: 'gussetFront', name: 'Gusset, front half', widthMm: spineMm / 2 },
        { id: 'front', name: 'Front panel', widthMm },
      ],
      [
        { id: 'edgeBack', direction: 'mountain' },
        { id: 'middle', direction: 'valley' },
        { id: 'edgeFront', direction: 'mountain' },
      ],
      heightMm,
    ),
    {
      steps: [
        {
          creaseIds: ['edgeBack', 'middle', 'edgeFront'],
          says: 'Pinch the gusset’s middle inwards and shut the covers on it.',
        },
      ],
      front: 'front',
      rests: 'back',
      standing: { edgeBack: 80, middle: 60, edgeFront: 80 },
      faces: [
        outer('front', 'front', 'Front', 'front'),
        inner('front', 'insideFront', 'Inside left'),
        inner('gussetFront', 'insideGussetFront', 'Inside gusset, left'),
        inner('gussetBack', 'insideGussetBack', 'Inside gusset, right'),
        inner('back', 'insideBack', 'Inside right'),
        outer('back', 'back', 'Back', 'behind'),
        behindOpen('gussetBack', 'gussetBack', 'Gusset, back half'),
        behindOpen('gussetFront', 'gussetFront', 'Gusset, front half'),
      ],
    },
  );
