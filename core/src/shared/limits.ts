import { from } from '../ground/limits.ts';

/** How far an order of several kinds of pieces may go. Lengths in mm. */
export const SHARED_LIMITS = {
  kinds: 60,
  idLetters: 80,
  sheetMm: from(10, 10_000),
  marginMm: from(0, 1000),
  bleedMm: from(0, 100),
  gutterMm: from(0, 200),
  pieceMm: from(2, 10_000),
  wanted: from(1, 100_000),
  /** What the page asks of pieces that are of no job; smaller, nothing can be held while it is cut. */
  own: { sideMm: from(10, 1200), wanted: from(1, 20_000), gutterMm: from(0, 60) },
} as const;
