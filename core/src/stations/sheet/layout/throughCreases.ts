import type { Crease } from '../../../ground/fold/types.ts';
import { apply } from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { edgesOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import type { SheetPlan } from '../types.ts';

/** Creases that run on from card to card, so that the whole sheet can be scored before it is cut. */
export type ThroughCreases =
  { readonly ok: true; readonly creases: readonly Crease[] } | { readonly ok: false; readonly why: string };

/** A score may run on past a crease by this much: the corners of a hinge are not that exact. */
const NEAR_MM = 0.3;

/**
 * One crease for every straight line on which creases of several cards lie, from the first card’s edge to the
 * last one’s. A line that would cross a card without being its crease, whole and bending the same way, rules
 * it out: it would be pressed into that card’s face. Cards are asked by their true outline, so sloped ones that
 * nest and shapes with a hinge may be scored as well.
 */
export function throughCreases({ form: { blank } }: SizePlan, { placements }: SheetPlan): ThroughCreases {
  if (blank.creases.length === 0 || placements.length === 0) return { ok: false, why: 'there is nothing to score' };
  if (blank.pressed) return { ok: false, why: 'no score runs through what is cut into the card' };
  const lines = new Map<string, { readonly crease: Crease; readonly place: number }[]>();
  placements.forEach(({ toSheet }, place) => {
    for (const own of blank.creases) {
      const [from, to] = [apply(toSheet, own.from), apply(toSheet, own.to)];
      const upright = isUprightLine(from, to);
      const key = `${upright ? 'x' : 'y'}${Math.round((upright ? from.xMm : from.yMm) / TOLERANCE_MM)}`;
      lines.set(key, [...(lines.get(key) ?? []), { crease: { ...own, from, to }, place }]);
    }
  });
  const outlines = placements.map(({ toSheet }) => blank.outline.map((p) => apply(toSheet, p)));
  const found: Crease[] = [];
  for (const own of lines.values()) {
    const first = own[0]!.crease;
    const upright = isUprightLine(first.from, first.to);
    const at = upright ? first.from.xMm : first.from.yMm;
    if (own.some(({ crease }) => crease.direction !== first.direction))
      return { ok: false, why: 'on one line some cards fold away and some toward you' };
    const along = (p: Point): Mm => (upright ? p.yMm : p.xMm);
    for (const [place, { trim }] of placements.entries()) {
      const [low, size] = upright ? [trim.xMm, trim.widthMm] : [trim.yMm, trim.heightMm];
      if (at <= low + TOLERANCE_MM || at >= low + size - TOLERANCE_MM) continue;
      const creased = own
        .filter((one) => one.place === place)
        .map(({ crease }) => [along(crease.from), along(crease.to)])
        .map(([a, b]) => [Math.min(a!, b!) - NEAR_MM, Math.max(a!, b!) + NEAR_MM] as const);
      for (const [a, b] of onLine(outlines[place]!, upright, at))
        if (uncovered(a, b, creased) > TOLERANCE_MM)
          return { ok: false, why: 'a line through one card’s crease would mark the face of another' };
    }
    const span = boxAround(own.flatMap(({ crease }) => [crease.from, crease.to]));
    found.push({
      ...first,
      id: `through-${found.length + 1}`,
      from: { xMm: span.xMm, yMm: span.yMm },
      to: { xMm: span.xMm + span.widthMm, yMm: span.yMm + span.heightMm },
    });
  }
  return { ok: true, creases: found };
}

const isUprightLine = (from: Point, to: Point): boolean => Math.abs(from.xMm - to.xMm) < TOLERANCE_MM;

/** Stretches of an upright or level line that lie on a polygon, between where it enters and leaves. */
function onLine(polygon: Polygon, upright: boolean, at: Mm): readonly (readonly [Mm, Mm])[] {
  const [off, along] = upright
    ? [(p: Point): Mm => p.xMm - at, (p: Point): Mm => p.yMm]
    : [(p: Point): Mm => p.yMm - at, (p: Point): Mm => p.xMm];
  // Half open, so that a corner on the line counts once where the outline goes through it and never or twice where not.
  const crossings = edgesOf(polygon)
    .filter(([a, b]) => off(a) > 0 !== off(b) > 0)
    .map(([a, b]) => along(a) + ((along(b) - along(a)) * off(a)) / (off(a) - off(b)))
    .sort((a, b) => a - b);
  return crossings.flatMap((from, i) => (i % 2 === 0 ? [[from, crossings[i + 1]!] as const] : []));
}

/** How much of a stretch none of the others cover. */
function uncovered(from: Mm, to: Mm, covers: readonly (readonly [Mm, Mm])[]): Mm {
  let [bare, reached] = [0, from];
  for (const [a, b] of [...covers].sort((one, other) => one[0] - other[0])) {
    if (a > reached) bare += Math.max(0, Math.min(a, to) - reached);
    reached = Math.max(reached, b);
  }
  return bare + Math.max(0, to - reached);
}
