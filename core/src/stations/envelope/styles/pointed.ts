import { CLOSING, creaseAll, FOLD_FLAP, front, GLUE_INSET_MM, hung, p } from './parts.ts';
import type { EnvelopeMeasures, EnvelopeParts, EnvelopeStyle } from './types.ts';

/** Neighbouring flaps start this far from their corner, so that neither catches on the other’s crease. Our starting value. */
const RELIEF_MM = 1;

export const pointed: EnvelopeStyle = {
  id: 'pointed',
  name: 'Four points',
  inWords: 'four-pointed',
  says: 'Cut from one square, the card lying across it: four points meet on the back.',
  mark: 'M4 8H36V22H4ZM4 8L20 18L36 8M4 22L15 15M36 22L25 15',
  opens: 'long',
  walls: false,
  asks: ['seamMm'],
  flapMm: pointMm,
  parts: fourPoints,
  turnDeg: 45,
  working: '(width + height) ÷ √2 + overlap, both ways',
};

/** How far past the front’s corners the square runs, so that neighbours lie on each other in a band as wide as a seam. */
const pastMm = (seamMm: number): number => seamMm / Math.SQRT2;

/** As deep as the square is, and short of the lower fold. */
function pointMm({
  insideWidthMm: w,
  insideHeightMm: h,
  seamMm,
}: Pick<EnvelopeMeasures, 'insideWidthMm' | 'insideHeightMm' | 'seamMm'>): number {
  return Math.min(w / 2 + pastMm(seamMm), h - GLUE_INSET_MM);
}

/**
 * Four flaps from a square that stands on its corner round the front. Derivation: in the front’s own frame the square is
 * |x| + |y| ≤ D about its middle. With D = (w + h) ÷ 2 its edges pass through the front’s corners and neighbouring flaps
 * only touch along 45° when folded; each k more moves both edges apart by √2 · k, so k = seam ÷ √2 makes bands of one
 * seam, and the square’s side √2 · D is (w + h) ÷ √2 + seam. What lies past two sides at once is the notch.
 */
function fourPoints(measures: EnvelopeMeasures): EnvelopeParts {
  const { insideWidthMm: w, insideHeightMm: h, seamMm, cornerMm } = measures;
  const k = pastMm(seamMm);
  const e = Math.min(RELIEF_MM, h / 8);
  const side = h / 2 + k;
  const point = w / 2 + k;
  const cut = pointMm(measures);
  // Where the square’s edges have come to when a point is cut off at its depth; in the middle when it is not.
  const tip = cut - k;
  const tips = (xs: readonly [number, number], yMm: number): readonly ReturnType<typeof p>[] =>
    cut < point - 1e-9 ? [p(xs[0], yMm), p(xs[1], yMm)] : [p(w / 2, yMm)];
  return {
    panels: [
      front([p(0, 0), p(w, 0), p(w, h), p(0, h)]),
      hung(
        { id: 'flap', name: 'flap', on: 'front' },
        [p(w, 0), p(0, 0), p(e, -k - e), ...tips([tip, w - tip], -cut), p(w - e, -k - e)],
        { cornerMm },
      ),
      hung(
        { id: 'rightPoint', name: 'side point', on: 'front' },
        [p(w, h), p(w, 0), p(w + k + e, e), p(w + side, h / 2), p(w + k + e, h - e)],
        { cornerMm },
      ),
      hung(
        { id: 'back', name: 'lower point', on: 'front' },
        [p(0, h), p(w, h), p(w - e, h + k + e), ...tips([w - tip, tip], h + cut), p(e, h + k + e)],
        { cornerMm },
      ),
      hung(
        { id: 'leftPoint', name: 'side point', on: 'front' },
        [p(0, 0), p(0, h), p(-k - e, h - e), p(-side, h / 2), p(-k - e, e)],
        { cornerMm },
      ),
    ],
    bonds: [
      { id: 'leftPoint', name: 'side point', over: 'back', under: 'leftPoint', glueOn: 'under' },
      { id: 'rightPoint', name: 'side point', over: 'back', under: 'rightPoint', glueOn: 'under' },
      CLOSING,
    ],
    steps: [
      creaseAll('four lines between the notches'),
      { says: 'Fold both side points in.', folds: ['leftPoint', 'rightPoint'] },
      { says: `Glue their lower edges, on the outside, ${GLUE_INSET_MM} mm off every edge.` },
      { says: 'Fold the lower point up on to them and press from the middle.', folds: ['back'] },
      FOLD_FLAP,
    ],
  };
}
