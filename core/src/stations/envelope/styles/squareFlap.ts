import { flapShare } from './parts.ts';
import { seamed, SEAMED_WORKING, type FlapShape } from './seamed.ts';
import type { EnvelopeStyle } from './types.ts';

/** A straight flap has no lean to clear the folds, so it is a little narrower all the way. */
export const STRAIGHT: FlapShape = { leanMm: () => 0, inMm: 1 };

export const squareFlap: EnvelopeStyle = {
  id: 'squareFlap',
  name: 'Square flap',
  inWords: 'square-flap',
  says: 'A deep straight flap, as formal stationery has it; seams as on a side seam.',
  mark: 'M4 12H36V22H4ZM5 12V2H35V12',
  opens: 'long',
  walls: false,
  asks: ['seamMm', 'flapMm', 'throatMm'],
  // Deep enough to be seen as a square flap, and short of where the back’s own fold would show through. Our starting
  // value, editable at Envelope.
  flapMm: flapShare(0.6),
  parts: (measures) => seamed(measures, STRAIGHT),
  turnDeg: 0,
  working: SEAMED_WORKING,
};
