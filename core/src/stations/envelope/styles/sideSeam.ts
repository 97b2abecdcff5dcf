import { flapShare } from './parts.ts';
import { seamed, SEAMED_WORKING, type FlapShape } from './seamed.ts';
import type { EnvelopeStyle } from './types.ts';

/** The flap leans in so that no corner catches when it is tucked. */
export const LEANING: FlapShape = {
  // Until its tip is half as wide as its fold.
  leanMm: (flapMm, widthMm) => Math.min(flapMm * Math.tan((12 * Math.PI) / 180), widthMm / 4),
  inMm: 0,
};

export const sideSeam: EnvelopeStyle = {
  id: 'sideSeam',
  name: 'Side seam',
  inWords: 'side-seam',
  says: 'A seam on each side and a flap that leans in: the quickest to fold.',
  mark: 'M4 8H36V22H4ZM4 8L9 2H31L36 8',
  opens: 'long',
  walls: false,
  asks: ['seamMm', 'flapMm', 'throatMm'],
  // Looks right and holds. Our starting value, editable at Envelope.
  flapMm: flapShare(0.42),
  parts: (measures) => seamed(measures, LEANING),
  turnDeg: 0,
  working: SEAMED_WORKING,
};
