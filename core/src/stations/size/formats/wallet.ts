import type { Blank, FoldedForm, Panel } from '../../../ground/fold/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { LIMITS } from '../../../job/limits.ts';
import type { FormatOptions } from '../../../job/format.ts';
import { behindOpen, form, inner, outer } from './parts/strip.ts';
import {
  hasFlap,
  hasTab,
  LEAST_FLAP_MM,
  LEAST_POCKET_MM,
  LEAST_WING_MM,
  overOf,
  POCKET_IN_MM,
  pocketDeep,
  SLIT_OVER_MM,
  slitInMm,
  slitOf,
  spineOf,
  TAB_LONG_MM,
  wingOf,
} from './parts/walletMeasures.ts';
import { box, flapOf, holes, p, pocketOf, rolledIn, slit, topFlapOf, upright } from './parts/walletParts.ts';
import type { Finish, Format, Paper } from './types.ts';

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
      limits: () => [0, 20],
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
