import type { Blank, BlankCut, Crease, FoldedForm, Panel } from '../../../ground/fold/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { LIMITS } from '../../../job/limits.ts';
import type { FormatOptions } from '../../../job/format.ts';
import { HOLE_CLEAR_MM, roundHole } from './parts/roundHole.ts';
import { behindOpen, form, inner, outer } from './parts/strip.ts';
import { wrapMm } from './parts/wrap.ts';
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
/** A narrower wing has no room for glue. Our starting value. */
export const LEAST_WING_MM = 3;
/** A shorter flap holds nothing back. Our starting value. */
export const LEAST_FLAP_MM = 6;
/** What lies over what is held has this much room over it. Our starting value. */
const FLAP_AIR_MM = 0.3;
/** A shallower pocket holds nothing. Our starting value. */
export const LEAST_POCKET_MM = 8;
/** Of a slit beyond the tab that goes through it, where nothing is said. */
const SLIT_OVER_MM = 1.5;

const hasTab = ({ walletCloses }: Pick<FormatOptions, 'walletCloses'>): boolean => walletCloses === 'tab';
const hasFlap = ({ walletCloses }: Pick<FormatOptions, 'walletCloses'>): boolean => walletCloses !== 'noFlap';

export const wallet: Format = {
  id: 'wallet',
  name: 'Wallet',
  says: 'A pocket inside, flaps where you want them, and a tab, a band, a magnet or a sticker to keep it shut.',
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
      id: 'walletPanels',
      label: 'Panels, back and front with them',
      says: 'A third and a fourth roll in behind the front.',
      kind: 'number',
      unit: 'panels',
      whole: true,
      limits: () => [2, 4],
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
      says: `Less than ${LEAST_WING_MM} mm leaves a loose flap instead of a pocket.`,
      when: ({ pocketMm }) => pocketMm >= LEAST_POCKET_MM,
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm }) => [0, widthMm * 0.3],
    },
    {
      id: 'topFlapMm',
      label: 'Flap over the top',
      says: `Down over what it holds; less than ${LEAST_FLAP_MM} mm leaves it out.`,
      kind: 'length',
      mayBeNull: false,
      limits: ({ heightMm }) => [0, heightMm * 0.6],
    },
    {
      id: 'walletCloses',
      label: 'Kept shut by',
      kind: 'choice',
      choices: [
        { id: 'tab', name: 'A tab in a slit' },
        { id: 'other', name: 'Something on the flap' },
        { id: 'noFlap', name: 'No flap' },
      ],
    },
    {
      id: 'closeMm',
      label: 'Flap over the front',
      when: hasFlap,
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm }) => [Math.min(TAB_LONG_MM + 6, widthMm * 0.4), widthMm * 0.7],
    },
    {
      id: 'flapRoomMm',
      label: 'Room under the flap',
      says: 'For the magnets or whatever else lies there.',
      when: ({ walletCloses }) => walletCloses === 'other',
      kind: 'length',
      mayBeNull: false,
      limits: () => [0, 6],
    },
    {
      id: 'tabMm',
      label: 'Tab, wide',
      when: hasTab,
      kind: 'length',
      mayBeNull: false,
      limits: ({ heightMm }) => [Math.min(8, heightMm * 0.2), heightMm * 0.6],
    },
    {
      id: 'slitMm',
      label: 'Slit, long',
      says: `Left empty, the tab and ${SLIT_OVER_MM} mm.`,
      when: hasTab,
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
      when: ({ holePairs }) => holePairs > 0,
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm, heightMm) * 0.1],
    },
  ],
  form: walletForm,
};

const innerPanels = ({ walletPanels }: Pick<FormatOptions, 'walletPanels'>): number => walletPanels - 2;

/** Between back and front when it is shut: what it holds, the leaves round that, and a little air. */
export const spineOf = (options: Pick<FormatOptions, 'contentThickMm' | 'walletPanels'>, { caliperMm }: Paper): Mm =>
  options.contentThickMm + (LEAVES_WITHIN + innerPanels(options)) * caliperMm + LOOSE_MM;

export const slitOf = ({ tabMm, slitMm }: Pick<FormatOptions, 'tabMm' | 'slitMm'>): Mm =>
  slitMm ?? tabMm + SLIT_OVER_MM;

/** Its flap lies so far above its front: over its own leaves, and over what keeps it shut. */
const overOf = (
  { walletCloses, flapRoomMm }: Pick<FormatOptions, 'walletCloses' | 'flapRoomMm'>,
  { caliperMm }: Paper,
) => OVER_LEAVES * caliperMm + (walletCloses === 'other' ? flapRoomMm : 0);

type TabOptions = Pick<
  FormatOptions,
  'closeMm' | 'contentThickMm' | 'walletCloses' | 'flapRoomMm' | 'walletPanels' | 'topFlapMm'
>;

const hasTopFlap = ({ topFlapMm }: Pick<FormatOptions, 'topFlapMm'>): boolean => topFlapMm >= LEAST_FLAP_MM;
/** From the back to the flap over what is held. */
const topStripOf = ({ contentThickMm }: Pick<FormatOptions, 'contentThickMm'>, { caliperMm }: Paper): Mm =>
  contentThickMm + OVER_LEAVES * caliperMm + FLAP_AIR_MM;

/** How deep the tab’s tip dips below the flap, and how far from its neck it then passes the front. */
function dipOf(options: TabOptions, paper: Paper) {
  const long = tabLong(options);
  const over = overOf(options, paper);
  // Down through the front, and half-way to what lies next: a flap over what is held, or the pocket.
  const room = hasTopFlap(options)
    ? spineOf(options, paper) - topStripOf(options, paper)
    : options.contentThickMm + LOOSE_MM;
  const deep = over + room / 2;
  return { long, over, deg: (Math.atan2(deep, long) * 180) / Math.PI, passesMm: (long * over) / deep };
}
const tabLong = ({ closeMm }: Pick<FormatOptions, 'closeMm'>): Mm => Math.min(TAB_LONG_MM, closeMm / 2);

/** From the front’s free edge to its slit. */
export const slitInMm = (options: TabOptions, paper: Paper): Mm =>
  options.closeMm - tabLong(options) + dipOf(options, paper).passesMm;

/** Wings that glue holds by. */
export const wingOf = ({ wingMm }: Pick<FormatOptions, 'wingMm'>): Mm => (wingMm < LEAST_WING_MM ? 0 : wingMm);

/** Between the wings, where what it holds slides in. */
export const pocketInsideMm = ({ widthMm }: Finish, options: Pick<FormatOptions, 'wingMm'>): Mm =>
  widthMm - 2 * POCKET_IN_MM - 2 * wingOf(options);

/** Some panels of the blank, their folds, and the way along its edge past them. */
interface Part {
  readonly parts: readonly (readonly [id: string, name: string, outline: Polygon])[];
  readonly creases: readonly Crease[];
  readonly rim: Polygon;
}
const NOTHING: Part = { parts: [], creases: [], rim: [] };
const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });
const box = (x1: Mm, x2: Mm, h: Mm): Polygon => [p(x1, 0), p(x2, 0), p(x2, h), p(x1, h)];
const upright = (id: string, x: Mm, joins: readonly [string, string], shutDeg: Deg, y2: Mm, y1 = 0): Crease => ({
  ...{ id, from: p(x, y1), to: p(x, y2), direction: 'mountain', shutDeg, joins },
});
const level = (
  id: string,
  y: Mm,
  [from, to]: readonly [Mm, Mm],
  joins: readonly [string, string],
  shutDeg: Deg,
): Crease => ({
  ...{ id, from: p(from, y), to: p(to, y), direction: 'mountain', shutDeg, joins },
});

/**
 * Flap, back, front and what rolls in behind the front side by side, with a strip of two creases wherever something lies
 * between; a pocket under the back and a flap over it. Derivation: with both creases of a strip square, the spine holds
 * front and back as far apart as it is wide, and the flap’s strip, wider by what lies between front and flap, lays the flap
 * on the front. The tab turns down at its neck through the front’s plane, two calipers under the flap’s, and half-way on
 * into the room behind: the slit is where it passes, in the front and in every panel rolled in behind it.
 */
function walletForm(finish: Finish, options: FormatOptions, paper: Paper): FoldedForm {
  const { widthMm: w, heightMm: h } = finish;
  const spine = spineOf(options, paper);
  const flap = hasFlap(options) ? flapOf(h, options, paper) : null;
  const backAt = flap ? options.closeMm + spine + overOf(options, paper) : 0;
  const [backEnd, frontAt] = [backAt + w, backAt + w + spine];
  const frontEnd = frontAt + w;
  const rolled = rolledIn(frontEnd, finish, options, paper);
  const within = { left: backAt + POCKET_IN_MM, right: backEnd - POCKET_IN_MM };
  const pocket = pocketOf({ ...within, top: h }, options.pocketMm, wingOf(options));
  const over = topFlapOf(within, options, paper);
  const sides = [...(flap ? [flap] : []), rolled, pocket, over];
  const parts = [
    ...(flap?.parts ?? []),
    ['back', 'Back panel', box(backAt, backEnd, h)] as const,
    ['spine', 'Spine', box(backEnd, frontAt, h)] as const,
    ['front', 'Front panel', box(frontAt, frontEnd, h)] as const,
    ...[rolled, pocket, over].flatMap((part) => part.parts),
  ];
  const end = rolled.endMm;
  const outline: Polygon = [
    ...(flap ? [...flap.rim.slice(0, flap.rim.length / 2), p(backAt, 0)] : [p(0, 0)]),
    ...over.rim,
    ...[p(end, 0), p(end, h)],
    ...pocket.rim,
    ...(flap ? [p(backAt, h), ...flap.rim.slice(flap.rim.length / 2)] : [p(0, h)]),
  ];
  const bounds = boxAround(outline);
  const slitIn = slitInMm(options, paper);
  const slitAt = hasTab(options) ? [frontEnd - slitIn, ...rolled.slitsAt(slitIn)] : [];
  const blank: Blank = {
    ...{ widthMm: bounds.widthMm, heightMm: bounds.heightMm, outline },
    creases: [
      ...(flap?.creases ?? []),
      upright('spineBack', backEnd, ['back', 'spine'], 90, h),
      upright('spineFront', frontAt, ['spine', 'front'], 90, h),
      ...[rolled, pocket, over].flatMap(({ creases }) => creases),
    ],
    panels: parts.map(([id, name, own]): Panel => ({ id, name, outline: own, box: boxAround(own) })),
    cuts: [
      ...slitAt.map((xMm, i) => slit(i, xMm, h / 2, slitOf(options))),
      ...holes({ backEnd, frontAt, room: h - pocketDeep(options) }, options.holePairs, options.holeMm),
    ],
  };
  const has = (...ids: readonly string[]): boolean =>
    ids.every((id) => sides.some(({ creases }) => creases.some((crease) => crease.id === id)));
  return form(shifted(blank, -bounds.xMm, -bounds.yMm), {
    steps: stepsOf(has),
    opens: 'inTurn',
    front: 'front',
    rests: 'back',
    standing: null,
    glued: has('leftWing') ? ['leftWing', 'rightWing'] : [],
    faces: [
      outer('front', 'front', 'Front', 'front'),
      inner('front', 'insideFront', 'Inside left'),
      inner('back', 'insideBack', 'Inside right'),
      outer('back', 'back', 'Back', 'behind'),
      ...(flap ? [outer('flap', 'flap', 'Flap', 'front')] : []),
      ...(options.walletCloses === 'other' ? [inner('flap', 'insideFlap', 'Inside of the flap')] : []),
      ...(has('third')
        ? [inner('third', 'inside3', 'Inside, third panel'), behindOpen('third', 'outside1', 'Outside, third panel')]
        : []),
      ...(has('fourth')
        ? [
            inner('fourth', 'inside4', 'Inside, fourth panel'),
            behindOpen('fourth', 'outside2', 'Outside, fourth panel'),
          ]
        : []),
    ],
  });
}

/** In the order of the hands: what lies deepest first. */
const stepsOf = (has: (...ids: readonly string[]) => boolean): FoldedForm['steps'] => [
  ...(has('fourth') ? [{ creaseIds: ['fourth'], says: 'Fold the fourth panel in on to the third.' }] : []),
  ...(has('third') ? [{ creaseIds: ['third'], says: 'Fold the third panel in on to the front.' }] : []),
  ...(has('leftWing')
    ? [
        {
          creaseIds: ['leftWing', 'rightWing'],
          says: 'Fold both wings in, and glue their outside 3 mm off every edge.',
        },
      ]
    : []),
  ...(has('pocket')
    ? [
        {
          creaseIds: ['pocket'],
          says: has('leftWing')
            ? 'Fold the pocket up on to the back and press the wings down.'
            : 'Fold the lower flap up over what it holds.',
        },
      ]
    : []),
  ...(has('topFlap')
    ? [
        {
          creaseIds: ['topBack', 'topFlap'],
          says: 'Fold the upper flap down over what it holds, both its creases square.',
        },
      ]
    : []),
  { creaseIds: ['spineBack', 'spineFront'], says: 'Fold the front over, keeping the spine square.' },
  ...(has('flapBack')
    ? [
        has('tabNeck')
          ? {
              creaseIds: ['flapBack', 'flapFront', 'tabNeck'],
              says: 'Fold the flap over the front and put its tab through the slit.',
            }
          : { creaseIds: ['flapBack', 'flapFront'], says: 'Fold the flap over the front.' },
      ]
    : []),
];

/** From the back’s left edge over the front: with a tab at its end, or its corners off. */
function flapOf(h: Mm, options: FormatOptions, paper: Paper): Part {
  const { closeMm, tabMm } = options;
  const strip = spineOf(options, paper) + overOf(options, paper);
  const backAt = closeMm + strip;
  const middle = h / 2;
  const hinges = [
    upright('flapFront', closeMm, ['flap', 'flapStrip'], 90, h),
    upright('flapBack', backAt, ['flapStrip', 'back'], 90, h),
  ];
  const strips = ['flapStrip', 'Flap strip', box(closeMm, backAt, h)] as const;
  if (!hasTab(options)) {
    const off = Math.min(closeMm * 0.35, h * 0.25);
    const [top, foot] = [p(0, off), p(0, h - off)];
    const flap: Polygon = [top, p(closeMm, 0), p(closeMm, h), foot];
    return { parts: [['flap', 'Flap', flap], strips], creases: hinges, rim: flap };
  }
  const { long: neck, deg: dip } = dipOf(options, paper);
  const shoulder = Math.max(tabMm / 2, Math.min(h / 2 - 1, h * 0.3));
  const tip = tabMm * 0.36;
  const [upper, lower] = [p(neck, middle - tabMm / 2), p(neck, middle + tabMm / 2)];
  const tab: Polygon = [p(0, middle - tip), upper, lower, p(0, middle + tip)];
  const shoulders: Polygon = shoulder > tabMm / 2 ? [p(neck, middle - shoulder), p(neck, middle + shoulder)] : [];
  const ends = [p(closeMm, 0), p(closeMm, h)];
  return {
    parts: [
      ['tab', 'Tab', tab],
      ['flap', 'Flap', [...shoulders.slice(0, 1), ...ends, ...shoulders.slice(1), lower, upper]],
      strips,
    ],
    creases: [upright('tabNeck', neck, ['tab', 'flap'], dip, middle + tabMm / 2, middle - tabMm / 2), ...hinges],
    rim: [...tab.slice(0, 2), ...shoulders.slice(0, 1), ...ends, ...shoulders.slice(1), ...tab.slice(2)],
  };
}

/** Panels that roll in behind the front, each shorter than what it lies in, and short of holes in the front. */
function rolledIn(
  frontEnd: Mm,
  { widthMm: w, heightMm: h }: Finish,
  options: FormatOptions,
  paper: Paper,
): Part & { readonly endMm: Mm; readonly slitsAt: (slitInMm: Mm) => readonly Mm[] } {
  const { holePairs, holeMm } = options;
  const many = innerPanels(options);
  const holed = holePairs > 0 && holeMm > 0 ? holeMm + 2 * HOLE_CLEAR_MM : 0;
  const widths: Mm[] = [];
  for (let k = 0; k < many; k += 1)
    widths.push(Math.max(w / 4, (widths[k - 1] ?? w - holed) - wrapMm(options, paper, many - k)));
  const edges = widths.reduce<readonly Mm[]>((at, width) => [...at, at.at(-1)! + width], [frontEnd]);
  const ids = ['third', 'fourth'] as const;
  const slitsAt = (inMm: Mm): readonly Mm[] => {
    const [third, fourth] = widths;
    return [
      ...(third !== undefined && inMm < third ? [frontEnd + inMm] : []),
      // The fourth lies on the third, turned over at its end.
      ...(fourth !== undefined && third! - inMm < fourth ? [edges[1]! + third! - inMm] : []),
    ];
  };
  return {
    parts: widths.map((_, k) => [ids[k]!, `${k === 0 ? 'Third' : 'Fourth'} panel`, box(edges[k]!, edges[k + 1]!, h)]),
    creases: widths.map((_, k) => upright(ids[k]!, edges[k]!, [k === 0 ? 'front' : 'third', ids[k]!], 180, h)),
    ...{ rim: [], endMm: edges.at(-1)!, slitsAt },
  };
}

/** Over the back’s upper edge and down, on a strip as wide as what it holds and the pocket under that. */
function topFlapOf(
  { left, right }: { readonly left: Mm; readonly right: Mm },
  options: FormatOptions,
  paper: Paper,
): Part {
  const { topFlapMm } = options;
  if (!hasTopFlap(options)) return NOTHING;
  const strip = topStripOf(options, paper);
  const [fold, end] = [-strip, -strip - topFlapMm];
  const lean = Math.min(topFlapMm * 0.3, (right - left) / 6);
  const flap = [p(left, fold), p(left + lean, end), p(right - lean, end), p(right, fold)];
  return {
    parts: [
      ['topStrip', 'Upper strip', [p(left, 0), p(left, fold), p(right, fold), p(right, 0)]],
      ['topFlap', 'Upper flap', flap],
    ],
    creases: [
      level('topBack', 0, [left, right], ['back', 'topStrip'], 90),
      level('topFlap', fold, [left, right], ['topStrip', 'topFlap'], 90),
    ],
    rim: [p(left, 0), ...flap, p(right, 0)],
  };
}

/** As deep as it is, or nought where it is left out. */
export const pocketDeep = ({ pocketMm }: Pick<FormatOptions, 'pocketMm'>): Mm =>
  pocketMm < LEAST_POCKET_MM ? 0 : pocketMm;

/** A leaf that folds up inside the back, with a wing on each side that is glued to it; without wings, a loose flap. */
function pocketOf(
  { left, right, top }: { readonly left: Mm; readonly right: Mm; readonly top: Mm },
  deepMm: Mm,
  wingMm: Mm,
): Part {
  if (deepMm < LEAST_POCKET_MM) return NOTHING;
  const foot = top + deepMm;
  const pocket = level('pocket', top, [left, right], ['back', 'pocket'], 180);
  if (wingMm === 0) {
    const lean = Math.min(deepMm * 0.3, (right - left) / 6);
    const flap = [p(right, top), p(right - lean, foot), p(left + lean, foot), p(left, top)];
    return { parts: [['pocket', 'Lower flap', flap]], creases: [pocket], rim: flap };
  }
  const ease = Math.min(2, deepMm / 8);
  const lean = Math.min(wingMm * 0.3, deepMm / 4);
  const [from, to] = [top + ease, foot - ease];
  const rightWing = [p(right, from), p(right + wingMm, from + lean), p(right + wingMm, to - lean), p(right, to)];
  const leftWing = [p(left, to), p(left - wingMm, to - lean), p(left - wingMm, from + lean), p(left, from)];
  return {
    parts: [
      [
        'pocket',
        'Pocket',
        [
          ...[p(left, top), p(right, top), p(right, from), p(right, to)],
          ...[p(right, foot), p(left, foot), p(left, to), p(left, from)],
        ],
      ],
      ['leftWing', 'Left wing', leftWing],
      ['rightWing', 'Right wing', rightWing],
    ],
    creases: [
      pocket,
      upright('leftWing', left, ['pocket', 'leftWing'], 180, to, from),
      upright('rightWing', right, ['pocket', 'rightWing'], 180, to, from),
    ],
    rim: [p(right, top), ...rightWing, p(right, foot), p(left, foot), ...leftWing, p(left, top)],
  };
}

/** The same blank with its box at the origin. */
function shifted(blank: Blank, byX: Mm, byY: Mm): Blank {
  if (byX === 0 && byY === 0) return blank;
  const at = ({ xMm, yMm }: Point): Point => p(xMm + byX, yMm + byY);
  return {
    ...blank,
    outline: blank.outline.map(at),
    panels: blank.panels.map((panel) => {
      const outline = panel.outline.map(at);
      return { ...panel, outline, box: boxAround(outline) };
    }),
    creases: blank.creases.map((crease) => ({ ...crease, from: at(crease.from), to: at(crease.to) })),
    cuts: blank.cuts.map((cut) => ({ ...cut, points: cut.points.map(at) })),
  };
}

const slit = (index: number, xMm: Mm, middleMm: Mm, longMm: Mm): BlankCut => ({
  id: index === 0 ? 'slit' : `slit${index + 1}`,
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
