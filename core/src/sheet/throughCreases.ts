import type { Crease } from '../fold/types.ts';
import { apply } from '../geometry/affine.ts';
import { boxAround } from '../geometry/box.ts';
import { isUprightBox } from '../geometry/polygon.ts';
import { TOLERANCE_MM } from '../geometry/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { SheetPlan } from './planSheet.ts';

/** Creases that run on from card to card, so that the whole sheet can be scored before it is cut. */
export type ThroughCreases =
  { readonly ok: true; readonly creases: readonly Crease[] } | { readonly ok: false; readonly why: string };

/**
 * One crease for every straight line on which creases of several cards lie, from the first card’s edge to the
 * last one’s. A line that would cross a card without being its crease, whole and bending the same way, rules
 * it out: it would be pressed into that card’s face.
 */
export function throughCreases({ form: { blank } }: SizePlan, { placements }: SheetPlan): ThroughCreases {
  if (blank.creases.length === 0 || placements.length === 0) return { ok: false, why: 'there is nothing to score' };
  if (!isUprightBox(blank.outline)) return { ok: false, why: 'the card’s outline is not a plain rectangle' };
  const lines = new Map<string, Crease[]>();
  for (const { toSheet } of placements)
    for (const crease of blank.creases) {
      const [from, to] = [apply(toSheet, crease.from), apply(toSheet, crease.to)];
      const upright = Math.abs(from.xMm - to.xMm) < TOLERANCE_MM;
      const key = `${upright ? 'x' : 'y'}${Math.round((upright ? from.xMm : from.yMm) / TOLERANCE_MM)}`;
      lines.set(key, [...(lines.get(key) ?? []), { ...crease, from, to }]);
    }
  const found: Crease[] = [];
  for (const own of lines.values()) {
    const first = own[0]!;
    const upright = Math.abs(first.from.xMm - first.to.xMm) < TOLERANCE_MM;
    const at = upright ? first.from.xMm : first.from.yMm;
    if (own.some((c) => c.direction !== first.direction))
      return { ok: false, why: 'on one line some cards fold away and some toward you' };
    const crossed = placements.filter(({ trim }) => {
      const [low, size] = upright ? [trim.xMm, trim.widthMm] : [trim.yMm, trim.heightMm];
      return at > low + TOLERANCE_MM && at < low + size - TOLERANCE_MM;
    });
    for (const { trim } of crossed) {
      const [low, high] = upright ? [trim.yMm, trim.yMm + trim.heightMm] : [trim.xMm, trim.xMm + trim.widthMm];
      const whole = own.some((c) => {
        const [a, b] = upright ? [c.from.yMm, c.to.yMm] : [c.from.xMm, c.to.xMm];
        return (
          Math.abs(Math.min(a, b) - low) < TOLERANCE_MM * 10 && Math.abs(Math.max(a, b) - high) < TOLERANCE_MM * 10
        );
      });
      if (!whole) return { ok: false, why: 'a line through one card’s crease would mark the face of another' };
    }
    const span = boxAround(own.flatMap((c) => [c.from, c.to]));
    found.push({
      ...first,
      id: `through-${found.length + 1}`,
      from: { xMm: span.xMm, yMm: span.yMm },
      to: { xMm: span.xMm + span.widthMm, yMm: span.yMm + span.heightMm },
    });
  }
  return { ok: true, creases: found };
}
