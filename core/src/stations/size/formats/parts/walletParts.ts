import type { BlankCut, Crease } from '../../../../ground/fold/types.ts';
import type { Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../../ground/length/types.ts';
import type { FormatOptions } from '../../../../job/format.ts';
import type { Finish, Paper } from '../types.ts';
import { HOLE_CLEAR_MM, roundHole } from './roundHole.ts';
import {
  dipOf,
  hasTab,
  hasTopFlap,
  innerPanels,
  LEAST_POCKET_MM,
  overOf,
  spineOf,
  topStripOf,
} from './walletMeasures.ts';
import { wrapMm } from './wrap.ts';

/** Some panels of the blank, their folds, and the way along its edge past them. */
export interface Part {
  readonly parts: readonly (readonly [id: string, name: string, outline: Polygon])[];
  readonly creases: readonly Crease[];
  readonly rim: Polygon;
}
export const NOTHING: Part = { parts: [], creases: [], rim: [] };
export const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });
export const box = (x1: Mm, x2: Mm, h: Mm): Polygon => [p(x1, 0), p(x2, 0), p(x2, h), p(x1, h)];
export const upright = (id: string, x: Mm, joins: readonly [string, string], shutDeg: Deg, y2: Mm, y1 = 0): Crease => ({
  ...{ id, from: p(x, y1), to: p(x, y2), direction: 'mountain', shutDeg, joins },
});
export const level = (
  id: string,
  y: Mm,
  [from, to]: readonly [Mm, Mm],
  joins: readonly [string, string],
  shutDeg: Deg,
): Crease => ({
  ...{ id, from: p(from, y), to: p(to, y), direction: 'mountain', shutDeg, joins },
});

/** From the back’s left edge over the front: with a tab at its end, or its corners off. */
export function flapOf(h: Mm, options: FormatOptions, paper: Paper): Part {
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
export function rolledIn(
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
export function topFlapOf(
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

/** A leaf that folds up inside the back, with a wing on each side that is glued to it; without wings, a loose flap. */
export function pocketOf(
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

export const slit = (index: number, xMm: Mm, middleMm: Mm, longMm: Mm): BlankCut => ({
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
export function holes(
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
