import { polygon } from '../../../ground/geometry/path.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { EnvelopeBlank, EnvelopeSize } from './types.ts';

/** Glue stays this far off an edge, so that none squeezes out. Our starting value. */
export const GLUE_INSET_MM = 3;
/** The back panel is this much narrower on each side, so that it never shows past the front. Our starting value. */
const BACK_EASE_MM = 0.75;
/** Seams lean in at their ends so that no corner catches when they fold. */
const SEAM_LEAN = Math.tan((15 * Math.PI) / 180);
/** How far the back stops short of the opening, so that fingers find the card. Our starting value. */
export const THROAT_MM = 10;
/** The flap must reach the back by this much past the throat to be glued down. Our starting value. */
export const FLAP_HOLD_MM = 15;

/** How the flap narrows from its fold to its tip, on each side. */
export interface FlapShape {
  /** For each millimetre of its depth, until the tip is half as wide as the fold. */
  readonly lean: number;
  /** At the fold itself. */
  readonly inMm: Mm;
}

/**
 * An envelope with a seam on each side: front in the middle, the back folding up from below over the seams, the flap
 * folding down from above. Derivation: the back is the front's height less the throat; seams and back meet the front
 * along its own edges, so the inside is exactly the front panel.
 */
export function seamed(
  { insideWidthMm: w, insideHeightMm: h, seamMm, flapMm }: EnvelopeSize,
  flap: FlapShape,
): EnvelopeBlank {
  const left = seamMm;
  const right = seamMm + w;
  const top = flapMm;
  const fold = flapMm + h;
  const backH = h - THROAT_MM;
  const bottom = fold + backH;
  const seamLean = Math.min(seamMm * SEAM_LEAN, h / 4);
  const flapLean = flap.inMm + Math.min(flapMm * flap.lean, w / 4);
  const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });
  const outline = [
    p(left + flapLean, 0),
    p(right - flapLean, 0),
    ...(flap.inMm > 0 ? [p(right - flap.inMm, top)] : []),
    p(right, top),
    p(right + seamMm, top + seamLean),
    p(right + seamMm, fold - seamLean),
    p(right, fold),
    p(right - BACK_EASE_MM, fold + BACK_EASE_MM),
    p(right - BACK_EASE_MM, bottom),
    p(left + BACK_EASE_MM, bottom),
    p(left + BACK_EASE_MM, fold + BACK_EASE_MM),
    p(left, fold),
    p(0, fold - seamLean),
    p(0, top + seamLean),
    p(left, top),
    ...(flap.inMm > 0 ? [p(left + flap.inMm, top)] : []),
  ];
  const inset = GLUE_INSET_MM;
  // The back lies over the seam only from the throat down.
  const seamGlueTop = Math.max(top + seamLean + inset, top + THROAT_MM + inset);
  const seamGlue = (x1: Mm, x2: Mm): readonly Point[] => [
    p(x1, seamGlueTop),
    p(x2, seamGlueTop),
    p(x2, fold - seamLean - inset),
    p(x1, fold - seamLean - inset),
  ];
  const flapTip = Math.min(flapMm - THROAT_MM, 12 + inset);
  const flapGlue = [
    p(left + flapLean + inset, inset),
    p(right - flapLean - inset, inset),
    p(right - flapLean - inset, Math.max(inset + 2, flapTip)),
    p(left + flapLean + inset, Math.max(inset + 2, flapTip)),
  ];
  const area = (id: string, name: string, face: 'inside' | 'outside', corners: readonly Point[]) => ({
    id,
    name,
    face,
    path: polygon(corners),
    corners,
  });
  return {
    widthMm: w + 2 * seamMm,
    heightMm: bottom,
    outline,
    cuts: [],
    creases: [
      { id: 'leftSeam', from: p(left, top), to: p(left, fold) },
      { id: 'rightSeam', from: p(right, top), to: p(right, fold) },
      { id: 'back', from: p(left, fold), to: p(right, fold) },
      { id: 'flap', from: p(left, top), to: p(right, top) },
    ],
    glue: [
      area('leftSeam', 'seam', 'outside', seamGlue(inset, seamMm - inset)),
      area('rightSeam', 'seam', 'outside', seamGlue(right + inset, right + seamMm - inset)),
      area('flap', 'flap', 'inside', flapGlue),
    ],
    labels: [
      { text: 'flap', at: p(left + w / 2, flapMm / 2 + 2) },
      { text: 'front, inside', at: p(left + w / 2, flapMm + h / 2) },
      { text: 'back', at: p(left + w / 2, fold + backH / 2) },
    ],
  };
}

/** How a seamed envelope’s blank comes about, and is put together. */
export const SEAMED_WORKING = 'width + two seams; flap + height + (height − throat)';
export const SEAMED_STEPS = [
  'Cut round the outline.',
  'Crease the four lines on the inside; fold all four towards you and open them again.',
  'Fold both seams in.',
  `Glue the outside of the seams, ${GLUE_INSET_MM} mm off every edge.`,
  'Fold the back up on to the seams and press from the middle.',
  'Fold the flap down. Glue it only when the card is in.',
];
export const SEAMED_LEAST_FLAP = {
  mm: THROAT_MM + FLAP_HOLD_MM,
  why: `It must pass the ${THROAT_MM} mm throat and reach ${FLAP_HOLD_MM} mm on to the back.`,
};
