import type { Mm } from '../length/types.ts';

/** Flat drawings: origin top left, x right, y down, millimetres. */
export interface Point {
  readonly xMm: Mm;
  readonly yMm: Mm;
}

export interface Box {
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** Distances on the four sides of a box, never negative. */
export interface Sides {
  readonly top: Mm;
  readonly right: Mm;
  readonly bottom: Mm;
  readonly left: Mm;
}

/** The one tolerance of the core: a hundredth of a micron, far under any tool and far over rounding. */
export const TOLERANCE_MM = 1e-5;
