import { clipTo, contains, moved, signedArea, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import { ownOutline, shapeOutline } from '../../size/formats/parts/shapes.ts';
import { CLOSING, creaseAll, flapShare, FOLD_FLAP, front, GLUE_INSET_MM, hung, p } from './parts.ts';
import type { EnvelopeMeasures, EnvelopeParts, EnvelopeStyle } from './types.ts';

/** Flaps lean in from their corners by this, so that neighbours clear each other’s crease. Our starting value. */
const NOTCH_LEAN = Math.tan((4 * Math.PI) / 180);

export const ownShape: EnvelopeStyle = {
  id: 'ownShape',
  name: 'Your own path',
  inWords: 'own-shape',
  says: 'Your closed outline round the front; what lies past each side folds in. An oval until you bring one.',
  mark: 'M20 1C30 1 39 6 39 12S30 23 20 23S1 18 1 12S10 1 20 1ZM9 6H31V18H9Z',
  opens: 'long',
  walls: false,
  asks: ['path', 'flapMm'],
  // Half the height and what two flaps share in the middle. Our starting value, editable at Envelope.
  flapMm: flapShare(0.66),
  parts: petals,
  turnDeg: 0,
  working: 'width + two flaps; height + two flaps',
  fault,
};

/** The outline about the front, in the front’s frame: as far past each side as the flap is deep. */
function round({ insideWidthMm: w, insideHeightMm: h, flapMm, path }: EnvelopeMeasures): Polygon {
  const [width, height] = [w + 2 * flapMm, h + 2 * flapMm];
  const outline = shapeOutline(path.trim() === '' ? 'oval' : 'own', path, width, height);
  return moved(signedArea(outline) < 0 ? [...outline].reverse() : outline, -flapMm, -flapMm);
}

const reaches = (outline: Polygon, { insideWidthMm: w, insideHeightMm: h }: EnvelopeMeasures): boolean =>
  [p(0, 0), p(w, 0), p(w, h), p(0, h)].every((corner) => contains(outline, corner));

function fault(measures: EnvelopeMeasures): string | null {
  const { insideWidthMm: w, insideHeightMm: h, flapMm, path } = measures;
  if (path.trim() !== '') {
    const read = ownOutline(path, w + 2 * flapMm, h + 2 * flapMm);
    if (!read.ok) return read.why;
  }
  return reaches(round(measures), measures)
    ? null
    : 'it does not reach round all four corners of the front, so a flap would hang by part of its side only';
}

/**
 * Flaps as the outline leaves them past each side of the front; what lies past two sides at once is cut away as a notch.
 * An outline that does not go round the front is drawn as straight flaps until it does.
 */
function petals(measures: EnvelopeMeasures): EnvelopeParts {
  const { insideWidthMm: w, insideHeightMm: h, flapMm } = measures;
  const whole = round(measures);
  const outline = reaches(whole, measures)
    ? whole
    : [p(-flapMm, -flapMm), p(w + flapMm, -flapMm), p(w + flapMm, h + flapMm), p(-flapMm, h + flapMm)];
  /** Past the side from `a` to `b`, clockwise round the front. */
  const past = (a: Point, b: Point): Polygon => {
    const length = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
    const [ux, uy] = [(b.xMm - a.xMm) / length, (b.yMm - a.yMm) / length];
    const out = (q: Point): number => (q.xMm - a.xMm) * uy - (q.yMm - a.yMm) * ux;
    const along = (q: Point): number => (q.xMm - a.xMm) * ux + (q.yMm - a.yMm) * uy;
    const cut = [
      out,
      (q: Point) => along(q) - out(q) * NOTCH_LEAN,
      (q: Point) => length - along(q) - out(q) * NOTCH_LEAN,
    ].reduce((left, keep) => clipTo(left, keep), outline);
    // From where the outline leaves the side; the crease’s own ends are put in front of it.
    const isFree = cut.map((q) => out(q) > 1e-6);
    const start = isFree.findIndex((free, i) => free && !isFree[(i + cut.length - 1) % cut.length]);
    const turned = [...cut.slice(start), ...cut.slice(0, start)];
    return [b, a, ...turned.filter((q) => out(q) > 1e-6)];
  };
  const [nw, ne, se, sw] = [p(0, 0), p(w, 0), p(w, h), p(0, h)];
  return {
    panels: [
      front([nw, ne, se, sw]),
      hung({ id: 'flap', name: 'flap', on: 'front' }, past(nw, ne)),
      hung({ id: 'rightPetal', name: 'side flap', on: 'front' }, past(ne, se)),
      hung({ id: 'back', name: 'lower flap', on: 'front' }, past(se, sw)),
      hung({ id: 'leftPetal', name: 'side flap', on: 'front' }, past(sw, nw)),
    ],
    bonds: [
      { id: 'leftPetal', name: 'side flap', over: 'back', under: 'leftPetal', glueOn: 'under' },
      { id: 'rightPetal', name: 'side flap', over: 'back', under: 'rightPetal', glueOn: 'under' },
      CLOSING,
    ],
    steps: [
      creaseAll('four lines round the front'),
      { says: 'Fold the left flap in, then the right one.', folds: ['leftPetal', 'rightPetal'] },
      { says: `Glue their lower parts, on the outside, ${GLUE_INSET_MM} mm off every edge.` },
      { says: 'Fold the lower flap up on to them and press from the middle.', folds: ['back'] },
      FOLD_FLAP,
    ],
  };
}
