import {
  BACK_EASE_MM,
  CLOSING,
  creaseAll,
  flapShare,
  FOLD_FLAP,
  front,
  hingeOf,
  GLUE_INSET_MM,
  hung,
  leanOf,
  p,
  topFlap,
} from './parts.ts';
import type { EnvelopeMeasures, EnvelopeParts, EnvelopeStyle } from './types.ts';

/** The flap leans in so that no corner catches when it is tucked. */
const FLAP_IN_MM = 0.5;
const FLAP_LEAN = Math.tan((12 * Math.PI) / 180);

export const pocket: EnvelopeStyle = {
  id: 'pocket',
  name: 'Pocket',
  inWords: 'pocket',
  says: 'Opens on its short side: the card cannot slip out sideways.',
  mark: 'M12 6H28V23H12ZM12 6L14 2H26L28 6',
  opens: 'short',
  walls: false,
  asks: ['seamMm', 'flapMm', 'throatMm'],
  // A short side wants no deep flap. Our starting value, editable at Envelope.
  flapMm: flapShare(0.22),
  parts: besideEachOther,
  turnDeg: 0,
  working: 'seam + two widths; flap + height + seam',
};

/**
 * Front and back beside each other: the back folds over a seam on the far side, then the foot folds up over the back.
 * Derivation: the back hangs by the front’s right edge from the throat down, so the inside is the front itself.
 */
function besideEachOther(measures: EnvelopeMeasures): EnvelopeParts {
  const { insideWidthMm: w, insideHeightMm: h, seamMm, flapMm, throatMm, cornerMm } = measures;
  const lean = leanOf(seamMm, h);
  const foot = leanOf(seamMm, w);
  const far = 2 * w - BACK_EASE_MM;
  return {
    panels: [
      front([...hingeOf(measures, FLAP_IN_MM), p(w, throatMm), p(w, h), p(0, h)]),
      // Nothing lies under its corners as far as the throat, so it leans in only from there.
      topFlap(measures, { inMm: FLAP_IN_MM, straightMm: throatMm, leanMm: Math.min(flapMm * FLAP_LEAN, w / 4) }),
      hung(
        { id: 'back', name: 'back', on: 'front' },
        [p(w, h), p(w, throatMm), p(far, throatMm), p(far, h - BACK_EASE_MM), p(w + BACK_EASE_MM, h - BACK_EASE_MM)],
        { cornerMm },
      ),
      hung(
        { id: 'foot', name: 'foot', on: 'front' },
        [p(0, h), p(w, h), p(w - foot, h + seamMm), p(foot, h + seamMm)],
        { cornerMm },
      ),
      hung({ id: 'seam', name: 'seam', on: 'front' }, [p(0, 0), p(0, h), p(-seamMm, h - lean), p(-seamMm, lean)], {
        cornerMm,
      }),
    ],
    bonds: [
      { id: 'seam', name: 'seam', over: 'back', under: 'seam', glueOn: 'under' },
      { id: 'foot', name: 'foot', over: 'foot', under: 'back', glueOn: 'over' },
      CLOSING,
    ],
    steps: [
      creaseAll('four lines'),
      { says: 'Fold the seam in.', folds: ['seam'] },
      { says: `Glue its outside, ${GLUE_INSET_MM} mm off every edge.` },
      { says: 'Fold the back over on to the seam and press from the middle.', folds: ['back'] },
      {
        says: `Glue the inside of the foot, ${GLUE_INSET_MM} mm off every edge, and fold it up on to the back.`,
        folds: ['foot'],
      },
      FOLD_FLAP,
    ],
  };
}
