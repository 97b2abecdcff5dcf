import { FLATNESS_MM, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import type { EnvelopeMeasures, EnvelopePanel, EnvelopeStep } from './types.ts';

/** Glue stays this far off an edge, so that none squeezes out. Our starting value. */
export const GLUE_INSET_MM = 3;
/** A back panel is this much narrower on each side, so that it never shows past the front. Our starting value. */
export const BACK_EASE_MM = 0.75;
/** A flap must reach the back by this much past the throat to be glued down. Our starting value. */
export const FLAP_HOLD_MM = 15;
/** The shallowest flap that still holds: past the throat and well on to the back. */
export const leastFlapMm = (throatMm: Mm): Mm => throatMm + FLAP_HOLD_MM;
/** A flap as deep as a share of the height, and no less than holds. */
export const flapShare =
  (share: number) =>
  ({ insideHeightMm, throatMm }: Pick<EnvelopeMeasures, 'insideHeightMm' | 'throatMm'>): Mm =>
    Math.max(leastFlapMm(throatMm), Math.round(insideHeightMm * share));
/** Flaps lean in at their ends so that no corner catches when they fold. */
const SEAM_LEAN = Math.tan((15 * Math.PI) / 180);

export const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });

/** How far a flap’s ends lean in over its depth; never so far that less than half of a side is left. */
export const leanOf = (depthMm: Mm, sideMm: Mm): Mm => Math.min(depthMm * SEAM_LEAN, sideMm / 4);

/** The front, with whatever further points parts hang by. */
export const front = (outline: Polygon): EnvelopePanel => ({
  id: 'front',
  name: 'front, inside',
  outline,
  hangs: null,
});

/** A part that hangs by the first edge of its outline; its free corners are rounded. */
export function hung(
  {
    id,
    name,
    on,
    crease = id,
  }: { readonly id: string; readonly name: string; readonly on: string; readonly crease?: string },
  outline: Polygon,
  {
    cornerMm = 0,
    shutDeg = 180,
    way = 'toward',
  }: { readonly cornerMm?: Mm; readonly shutDeg?: Deg; readonly way?: 'toward' | 'away' } = {},
): EnvelopePanel {
  return { id, name, outline: rounded(outline, cornerMm), hangs: { on, crease, shutDeg, way } };
}

/** Where a flap hangs on an edge that it is a little narrower than: points of that edge, left to right. */
export const hingeOf = (
  { insideWidthMm: w }: Pick<EnvelopeMeasures, 'insideWidthMm'>,
  inMm: Mm,
  yMm: Mm = 0,
): Polygon => (inMm > 0 ? [p(0, yMm), p(inMm, yMm), p(w - inMm, yMm), p(w, yMm)] : [p(0, yMm), p(w, yMm)]);

/**
 * A flap on top of the front, from its hinge at `yMm`: a little in from the corners, straight for as far as is said, then
 * leaning in to its tip.
 */
export const topFlap = (
  { insideWidthMm: w, flapMm, cornerMm }: EnvelopeMeasures,
  {
    on = 'front',
    yMm = 0,
    inMm = 0,
    leanMm = 0,
    straightMm = 0,
  }: { on?: string; yMm?: Mm; inMm?: Mm; leanMm?: Mm; straightMm?: Mm } = {},
): EnvelopePanel => {
  const tip = inMm + leanMm;
  const shoulder = (xMm: Mm): Polygon => (straightMm > 0 ? [p(xMm, yMm - straightMm)] : []);
  return hung(
    { id: 'flap', name: 'flap', on },
    [
      ...[p(w - inMm, yMm), p(inMm, yMm), ...shoulder(inMm)],
      ...[p(tip, yMm - flapMm), p(w - tip, yMm - flapMm), ...shoulder(w - inMm)],
    ],
    { cornerMm },
  );
};

/**
 * Free corners of a part as arcs of one radius, smaller where an edge has no room for it. The crease, between the first
 * two points, keeps its ends. Derivation: an arc touches both edges r · tan(turn ÷ 2) from their corner.
 */
export function rounded(outline: Polygon, radiusMm: Mm): Polygon {
  if (radiusMm <= 0) return outline;
  const n = outline.length;
  return outline.flatMap((corner, i): Polygon => {
    const before = outline[(i + n - 1) % n]!;
    const after = outline[(i + 1) % n]!;
    const [a, b] = [unit(before, corner), unit(corner, after)];
    const turn = Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);
    if (i < 2 || turn < 0.05) return [corner];
    const room = Math.min(a.length, b.length) / 2;
    const r = Math.min(radiusMm, room / Math.tan(turn / 2));
    const back = r * Math.tan(turn / 2);
    const from = p(corner.xMm - a.x * back, corner.yMm - a.y * back);
    // To the right of the way, since points run clockwise with y down.
    const middle = p(from.xMm - a.y * r, from.yMm + a.x * r);
    const pieces = Math.max(2, Math.ceil(turn / (2 * Math.acos(Math.max(0, 1 - FLATNESS_MM / r)))));
    return Array.from({ length: pieces + 1 }, (_, k) => {
      const at = Math.atan2(from.yMm - middle.yMm, from.xMm - middle.xMm) + (turn * k) / pieces;
      return p(middle.xMm + r * Math.cos(at), middle.yMm + r * Math.sin(at));
    });
  });
}

function unit(from: Point, to: Point): { readonly x: number; readonly y: number; readonly length: Mm } {
  const [dx, dy] = [to.xMm - from.xMm, to.yMm - from.yMm];
  const length = Math.hypot(dx, dy);
  return { x: dx / length, y: dy / length, length };
}

/** How every envelope begins once it is cut, and ends. */
export const creaseAll = (lines: string): EnvelopeStep => ({
  says: `Crease the ${lines} on the inside; fold each towards you and open it again.`,
});
export const FOLD_FLAP: EnvelopeStep = {
  says: 'Fold the flap down. Glue it only when the card is in.',
  folds: ['flap'],
};
export const CLOSING = { id: 'flap', name: 'flap', over: 'flap', under: 'back', glueOn: 'over' } as const;
