import { seamed, SEAMED_LEAST_FLAP, SEAMED_STEPS, SEAMED_WORKING } from './seamed.ts';
import type { EnvelopeStyle } from './types.ts';

/** A straight flap has no lean to clear the folds, so it is a little narrower all the way. */
const FLAP = { lean: 0, inMm: 1 };
/**
 * Share of the height: deep enough to be seen as a square flap, and short of where the back’s own fold would show through.
 * Our starting value, editable at Envelope.
 */
const FLAP_SHARE = 0.6;

export const squareFlap: EnvelopeStyle = {
  id: 'squareFlap',
  name: 'Square flap',
  inWords: 'square-flap',
  says: 'A deep straight flap, as formal stationery has it; seams as on a side seam.',
  mark: 'M4 12H36V22H4ZM5 12V2H35V12',
  flapMm: (insideHeightMm) => Math.max(SEAMED_LEAST_FLAP.mm, Math.round(insideHeightMm * FLAP_SHARE)),
  leastFlap: SEAMED_LEAST_FLAP,
  blank: (size) => seamed(size, FLAP),
  working: SEAMED_WORKING,
  steps: SEAMED_STEPS,
};
