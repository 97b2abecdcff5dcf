import type { Mm } from '../../../ground/length/types.ts';
import {
  BACK_EASE_MM,
  CLOSING,
  creaseAll,
  FOLD_FLAP,
  front,
  hingeOf,
  GLUE_INSET_MM,
  hung,
  leanOf,
  p,
  topFlap,
} from './parts.ts';
import type { EnvelopeMeasures, EnvelopeParts } from './types.ts';

/** How the flap narrows from its fold to its tip, on each side. */
export interface FlapShape {
  readonly leanMm: (flapMm: Mm, widthMm: Mm) => Mm;
  /** At the fold itself. */
  readonly inMm: number;
}

/**
 * An envelope with a seam on each side: front in the middle, the back folding up from below over the seams, the flap
 * folding down from above. Derivation: the back is the front's height less the throat; seams and back meet the front
 * along its own edges, so the inside is exactly the front panel.
 */
export function seamed(measures: EnvelopeMeasures, flap: FlapShape): EnvelopeParts {
  const { insideWidthMm: w, insideHeightMm: h, seamMm, flapMm, throatMm, cornerMm } = measures;
  const lean = leanOf(seamMm, h);
  const bottom = h + h - throatMm;
  const ease = BACK_EASE_MM;
  return {
    panels: [
      front([...hingeOf(measures, flap.inMm), p(w, h), p(0, h)]),
      topFlap(measures, { inMm: flap.inMm, leanMm: flap.leanMm(flapMm, w) }),
      hung(
        { id: 'rightSeam', name: 'seam', on: 'front' },
        [p(w, h), p(w, 0), p(w + seamMm, lean), p(w + seamMm, h - lean)],
        {
          cornerMm,
        },
      ),
      hung(
        { id: 'back', name: 'back', on: 'front' },
        [p(0, h), p(w, h), p(w - ease, h + ease), p(w - ease, bottom), p(ease, bottom), p(ease, h + ease)],
        { cornerMm },
      ),
      hung({ id: 'leftSeam', name: 'seam', on: 'front' }, [p(0, 0), p(0, h), p(-seamMm, h - lean), p(-seamMm, lean)], {
        cornerMm,
      }),
    ],
    bonds: [
      { id: 'leftSeam', name: 'seam', over: 'back', under: 'leftSeam', glueOn: 'under' },
      { id: 'rightSeam', name: 'seam', over: 'back', under: 'rightSeam', glueOn: 'under' },
      CLOSING,
    ],
    steps: [
      creaseAll('four lines'),
      { says: 'Fold both seams in.', folds: ['leftSeam', 'rightSeam'] },
      { says: `Glue the outside of the seams, ${GLUE_INSET_MM} mm off every edge.` },
      { says: 'Fold the back up on to the seams and press from the middle.', folds: ['back'] },
      FOLD_FLAP,
    ],
  };
}

/** How a seamed envelope’s blank comes about. */
export const SEAMED_WORKING = 'width + two seams; flap + height + (height − throat)';
