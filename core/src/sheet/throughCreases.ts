import type { Crease } from '../fold/types.ts';
import { apply } from '../geometry/affine.ts';
import { boxAround } from '../geometry/box.ts';
import { contains } from '../geometry/polygon.ts';
import { TOLERANCE_MM, type Point } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { SheetPlan } from './planSheet.ts';

/** Creases that run on from card to card, so that the whole sheet can be scored before it is cut. */
export type ThroughCreases =
  { readonly ok: true; readonly creases: readonly Crease[] } | { readonly ok: false; readonly why: string };

/** Points tried along a line through a card, to find whether any lies on its face. */
const SAMPLES = 48;
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
        .map(({ crease }) => [along(crease.from), along(crease.to)]);
      const [start, length] = upright ? [trim.yMm, trim.heightMm] : [trim.xMm, trim.widthMm];
      for (let i = 0; i < SAMPLES; i += 1) {
        const mm = start + (length * (i + 0.5)) / SAMPLES;
        const onCard = contains(outlines[place]!, upright ? { xMm: at, yMm: mm } : { xMm: mm, yMm: at });
        const onCrease = creased.some(([a, b]) => mm >= Math.min(a!, b!) - NEAR_MM && mm <= Math.max(a!, b!) + NEAR_MM);
        if (onCard && !onCrease)
          return { ok: false, why: 'a line through one card’s crease would mark the face of another' };
      }
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
