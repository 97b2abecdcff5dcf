import type { Blank, BlankCut, Crease, FoldedForm, Panel } from '../../../ground/fold/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { LIMITS } from '../../../job/limits.ts';
import type { FormatOptions } from '../../../job/format.ts';
import { HOLE_CLEAR_MM, roundHole } from './parts/roundHole.ts';
import { form, inner, outer } from './parts/strip.ts';
import type { Finish, Format, Paper } from './types.ts';

/** Leaves between back and front where it is thickest: pocket and wing under what it holds, and the wing again. */
const LEAVES_WITHIN = 3;
/** Room for what is held besides its own thickness. Our starting value. */
const LOOSE_MM = 0.5;
/** The pocket is this much narrower than the back on each side. Our starting value. */
const POCKET_IN_MM = 1;
/** The tab is this long where the flap has room for it. Our starting value. */
const TAB_LONG_MM = 12;
/** The flap lies this many calipers above the front. */
const OVER_LEAVES = 2;
/** A shallower pocket holds nothing. Our starting value. */
export const LEAST_POCKET_MM = 8;
/** Of a slit beyond the tab that goes through it, where nothing is said. */
const SLIT_OVER_MM = 1.5;

export const wallet: Format = {
  id: 'wallet',
  name: 'Wallet',
  says: 'A pocket inside and a flap whose tab goes through a slit in the front.',
  family: 'Folded twice, thick or shaped',
  mark: 'M6 6H34V20H6ZM34 9L26 11V15L34 17M26 10V16M6 14H34',
  inputs: [
    {
      id: 'contentWideMm',
      label: 'It holds, across',
      says: 'As it lies in the pocket; nought where it may be anything.',
      kind: 'length',
      mayBeNull: false,
      limits: () => [0, LIMITS.size.optionMm.most],
    },
    {
      id: 'contentHighMm',
      label: 'It holds, upright',
      kind: 'length',
      mayBeNull: false,
      limits: () => [0, LIMITS.size.optionMm.most],
    },
    {
      id: 'contentThickMm',
      label: 'Thickness of what it holds',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm }) => [0, Math.min(25, widthMm * 0.1)],
    },
    {
      id: 'pocketMm',
      label: 'Pocket, deep',
      says: `Less than ${LEAST_POCKET_MM} mm leaves it out.`,
      kind: 'length',
      mayBeNull: false,
      limits: ({ heightMm }) => [0, heightMm * 0.8],
    },
    {
      id: 'wingMm',
      label: 'Wings the pocket is glued by',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm }) => [Math.min(6, widthMm * 0.1), widthMm * 0.3],
    },
    {
      id: 'closeMm',
      label: 'Flap over the front',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm }) => [Math.min(TAB_LONG_MM + 6, widthMm * 0.4), widthMm * 0.7],
    },
    {
      id: 'tabMm',
      label: 'Tab, wide',
      kind: 'length',
      mayBeNull: false,
      limits: ({ heightMm }) => [Math.min(8, heightMm * 0.2), heightMm * 0.6],
    },
    {
      id: 'slitMm',
      label: 'Slit, long',
      says: `Left empty, the tab and ${SLIT_OVER_MM} mm.`,
      kind: 'length',
      mayBeNull: true,
      limits: ({ heightMm }) => [Math.min(8, heightMm * 0.2), heightMm * 0.8],
    },
    {
      id: 'holePairs',
      label: 'Pairs of holes at the spine',
      kind: 'number',
      unit: 'pairs',
      whole: true,
      limits: () => [0, 3],
    },
    {
      id: 'holeMm',
      label: 'Hole, across',
      says: 'The size of the eyelet, or of the punch.',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm, heightMm) * 0.1],
    },
  ],
  form: walletForm,
};

/** Between back and front when it is shut: what it holds, the leaves round that, and a little air. */
export const spineOf = ({ contentThickMm }: Pick<FormatOptions, 'contentThickMm'>, { caliperMm }: Paper): Mm =>
  contentThickMm + LEAVES_WITHIN * caliperMm + LOOSE_MM;

export const slitOf = ({ tabMm, slitMm }: Pick<FormatOptions, 'tabMm' | 'slitMm'>): Mm =>
  slitMm ?? tabMm + SLIT_OVER_MM;

/** How deep the tab’s tip dips below the flap, and how far from its neck it then passes the front. */
function dipOf(options: Pick<FormatOptions, 'closeMm' | 'contentThickMm'>, { caliperMm }: Paper) {
  const long = tabLong(options);
  const over = OVER_LEAVES * caliperMm;
  // Down through the front, and half-way to what lies next.
  const deep = over + (options.contentThickMm + LOOSE_MM) / 2;
  return { long, over, deg: (Math.atan2(deep, long) * 180) / Math.PI, passesMm: (long * over) / deep };
}
const tabLong = ({ closeMm }: Pick<FormatOptions, 'closeMm'>): Mm => Math.min(TAB_LONG_MM, closeMm / 2);

/** From the front’s free edge to its slit. */
export const slitInMm = (options: Pick<FormatOptions, 'closeMm' | 'contentThickMm'>, paper: Paper): Mm =>
  options.closeMm - tabLong(options) + dipOf(options, paper).passesMm;

/** Between the wings, where what it holds slides in. */
export const pocketInsideMm = ({ widthMm }: Finish, { wingMm }: Pick<FormatOptions, 'wingMm'>): Mm =>
  widthMm - 2 * POCKET_IN_MM - 2 * wingMm;

/**
 * Flap, back and front side by side with a strip of two creases between them, a pocket under the back. Derivation: with
 * both creases of a strip square, the spine holds front and back as far apart as it is wide, and the flap’s strip, two
 * calipers wider, lays the flap on the front. The tab turns down at its neck through the front’s plane, two calipers under
 * the flap’s, and half-way on into the room behind: the slit is where it passes.
 */
// eslint-disable-next-line max-lines-per-function -- one drawing: its parts, folds and cuts stand on each other’s edges
function walletForm(finish: Finish, options: FormatOptions, paper: Paper): FoldedForm {
  const { widthMm: w, heightMm: h } = finish;
  const { closeMm, tabMm, pocketMm, wingMm, holePairs, holeMm } = options;
  const spine = spineOf(options, paper);
  const { long, over, deg: dip } = dipOf(options, paper);
  const strip = spine + over;
  const [neck, flapEnd, backAt] = [long, closeMm, closeMm + strip];
  const [backEnd, frontAt] = [backAt + w, backAt + w + spine];
  const end = frontAt + w;
  const middle = h / 2;
  const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });
  const shoulder = Math.max(tabMm / 2, Math.min(h / 2 - 1, h * 0.3));
  const tip = tabMm * 0.36;
  const tab: Polygon = [
    p(0, middle - tip),
    p(neck, middle - tabMm / 2),
    p(neck, middle + tabMm / 2),
    p(0, middle + tip),
  ];
  const shoulders: Polygon = shoulder > tabMm / 2 ? [p(neck, middle - shoulder), p(neck, middle + shoulder)] : [];
  const flap: Polygon = [
    ...shoulders.slice(0, 1),
    ...[p(flapEnd, 0), p(flapEnd, h)],
    ...shoulders.slice(1),
    ...[p(neck, middle + tabMm / 2), p(neck, middle - tabMm / 2)],
  ];
  const box = (x1: Mm, x2: Mm): Polygon => [p(x1, 0), p(x2, 0), p(x2, h), p(x1, h)];
  const pocket = pocketOf({ left: backAt + POCKET_IN_MM, right: backEnd - POCKET_IN_MM, top: h }, pocketMm, wingMm);
  const parts: readonly (readonly [string, string, Polygon])[] = [
    ['tab', 'Tab', tab],
    ['flap', 'Flap', flap],
    ['flapStrip', 'Flap strip', box(flapEnd, backAt)],
    ['back', 'Back panel', box(backAt, backEnd)],
    ['spine', 'Spine', box(backEnd, frontAt)],
    ['front', 'Front panel', box(frontAt, end)],
    ...pocket.parts,
  ];
  const upright = (id: string, x: Mm, joins: readonly [string, string], shutDeg: number, y1 = 0, y2 = h): Crease => ({
    ...{ id, from: p(x, y1), to: p(x, y2), direction: 'mountain', shutDeg, joins },
  });
  const creases: readonly Crease[] = [
    upright('tabNeck', neck, ['tab', 'flap'], dip, middle - tabMm / 2, middle + tabMm / 2),
    upright('flapFront', flapEnd, ['flap', 'flapStrip'], 90),
    upright('flapBack', backAt, ['flapStrip', 'back'], 90),
    upright('spineBack', backEnd, ['back', 'spine'], 90),
    upright('spineFront', frontAt, ['spine', 'front'], 90),
    ...pocket.creases,
  ];
  const outline: Polygon = [
    ...tab.slice(0, 2),
    ...shoulders.slice(0, 1),
    ...[p(flapEnd, 0), p(end, 0), p(end, h)],
    ...pocket.rim,
    ...[p(flapEnd, h), ...shoulders.slice(1), ...tab.slice(2)],
  ];
  const bounds = boxAround(outline);
  const blank: Blank = {
    ...{ widthMm: bounds.widthMm, heightMm: bounds.heightMm, outline, creases },
    panels: parts.map(([id, name, own]): Panel => ({ id, name, outline: own, box: boxAround(own) })),
    cuts: [
      slit(end - slitInMm(options, paper), middle, slitOf(options)),
      ...holes({ backEnd, frontAt, room: h - pocketMm }, holePairs, holeMm),
    ],
  };
  return form(blank, {
    steps: [
      ...(pocket.creases.length > 0
        ? [
            {
              creaseIds: ['leftWing', 'rightWing'],
              says: 'Fold both wings in, and glue their outside 3 mm off every edge.',
            },
            { creaseIds: ['pocket'], says: 'Fold the pocket up on to the back and press the wings down.' },
          ]
        : []),
      { creaseIds: ['spineBack', 'spineFront'], says: 'Fold the front over, keeping the spine square.' },
      {
        creaseIds: ['flapBack', 'flapFront', 'tabNeck'],
        says: 'Fold the flap over the front and put its tab through the slit.',
      },
    ],
    opens: 'inTurn',
    front: 'front',
    rests: 'back',
    standing: null,
    faces: [
      outer('front', 'front', 'Front', 'front'),
      inner('front', 'insideFront', 'Inside left'),
      inner('back', 'insideBack', 'Inside right'),
      outer('back', 'back', 'Back', 'behind'),
      outer('flap', 'flap', 'Flap', 'front'),
    ],
  });
}

/** A leaf that folds up inside the back, with a wing on each side that is glued to it. */
function pocketOf(
  { left, right, top }: { readonly left: Mm; readonly right: Mm; readonly top: Mm },
  deepMm: Mm,
  wingMm: Mm,
): {
  readonly parts: readonly (readonly [string, string, Polygon])[];
  readonly creases: readonly Crease[];
  /** From the right end of the crease round to its left one. */
  readonly rim: Polygon;
} {
  if (deepMm < LEAST_POCKET_MM) return { parts: [], creases: [], rim: [] };
  const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });
  const foot = top + deepMm;
  const ease = Math.min(2, deepMm / 8);
  const lean = Math.min(wingMm * 0.3, deepMm / 4);
  const [from, to] = [top + ease, foot - ease];
  const mountain = { direction: 'mountain', shutDeg: 180 } as const;
  const rightWing = [p(right, from), p(right + wingMm, from + lean), p(right + wingMm, to - lean), p(right, to)];
  const leftWing = [p(left, to), p(left - wingMm, to - lean), p(left - wingMm, from + lean), p(left, from)];
  return {
    parts: [
      [
        'pocket',
        'Pocket',
        [
          p(left, top),
          p(right, top),
          p(right, from),
          p(right, to),
          p(right, foot),
          p(left, foot),
          p(left, to),
          p(left, from),
        ],
      ],
      ['leftWing', 'Left wing', leftWing],
      ['rightWing', 'Right wing', rightWing],
    ],
    creases: [
      { ...mountain, id: 'pocket', from: p(left, top), to: p(right, top), joins: ['back', 'pocket'] },
      { ...mountain, id: 'leftWing', from: p(left, from), to: p(left, to), joins: ['pocket', 'leftWing'] },
      { ...mountain, id: 'rightWing', from: p(right, from), to: p(right, to), joins: ['pocket', 'rightWing'] },
    ],
    rim: [p(right, top), ...rightWing, p(right, foot), p(left, foot), ...leftWing, p(left, top)],
  };
}

const slit = (xMm: Mm, middleMm: Mm, longMm: Mm): BlankCut => ({
  id: 'slit',
  kind: 'slit',
  name: 'Slit for the tab',
  byHand: {
    title: 'Cut the slit',
    says: 'With a knife along a steel rule on a cutting mat, by the template, before anything is folded.',
    tool: 'knife',
  },
  points: [
    { xMm, yMm: middleMm - longMm / 2 },
    { xMm, yMm: middleMm + longMm / 2 },
  ],
});

/** Pairs that lie on each other when it is shut: one in the back and one in the front, clear of the pocket. */
function holes(
  { backEnd, frontAt, room }: { readonly backEnd: Mm; readonly frontAt: Mm; readonly room: Mm },
  pairs: number,
  acrossMm: Mm,
): readonly BlankCut[] {
  if (acrossMm <= 0) return [];
  const inMm = HOLE_CLEAR_MM + acrossMm / 2;
  return Array.from({ length: pairs }, (_, i) => (room * (i + 1)) / (pairs + 1)).flatMap((yMm, i) => [
    roundHole({ id: `backHole${i + 1}`, name: 'Hole for a ribbon' }, { xMm: backEnd - inMm, yMm }, acrossMm),
    roundHole({ id: `frontHole${i + 1}`, name: 'Hole for a ribbon' }, { xMm: frontAt + inMm, yMm }, acrossMm),
  ]);
}
