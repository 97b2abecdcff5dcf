import type { Point } from './types.ts';

/**
 * x' = a·x + c·y + e, y' = b·x + d·y + f, the order SVG and PDF share.
 * With y down, a positive turn looks clockwise.
 */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Affine = [1, 0, 0, 1, 0, 0];

export const translation = (xMm: number, yMm: number): Affine => [1, 0, 0, 1, xMm, yMm];

/** The map that does `first`, then `then`. */
export function compose(then: Affine, first: Affine): Affine {
  const [a, b, c, d, e, f] = then;
  const [p, q, r, s, t, u] = first;
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

export function apply([a, b, c, d, e, f]: Affine, { xMm, yMm }: Point): Point {
  return { xMm: a * xMm + c * yMm + e, yMm: b * xMm + d * yMm + f };
}

/** A clockwise turn, as it looks with y down. */
export function rotationAbout(deg: number, { xMm, yMm }: Point): Affine {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return [c, s, -s, c, xMm - c * xMm + s * yMm, yMm - s * xMm - c * yMm];
}

/** Negative when the map mirrors. */
export const determinant = ([a, b, c, d]: Affine): number => a * d - b * c;

/** @throws RangeError when the map flattens the plane and has no inverse */
export function invert(map: Affine): Affine {
  const [a, b, c, d, e, f] = map;
  const det = determinant(map);
  if (det === 0) throw new RangeError('invert: map must not flatten the plane');
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** Turning a sheet over about its upright middle line, as seen afterwards. */
export const turnedLeftRight = (widthMm: number): Affine => [-1, 0, 0, 1, widthMm, 0];
/** Turning a sheet over about its level middle line, as seen afterwards. */
export const turnedTopBottom = (heightMm: number): Affine => [1, 0, 0, -1, 0, heightMm];

/** How a sheet is turned over, whatever its edges are called: sideways, or head over heels. */
export type TurnOver = 'leftRight' | 'topBottom';

interface SheetSides {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The turn that an edge of a sheet means; a square one counts as upright. */
export const turnOf = ({ widthMm, heightMm }: SheetSides, edge: 'long' | 'short'): TurnOver =>
  (edge === 'long') === heightMm >= widthMm ? 'leftRight' : 'topBottom';

export const turnMap = ({ widthMm, heightMm }: SheetSides, turn: TurnOver): Affine =>
  turn === 'leftRight' ? turnedLeftRight(widthMm) : turnedTopBottom(heightMm);

/** A sheet turned over on its long or its short edge, as seen afterwards. */
export const turnedOver = (sheet: SheetSides, edge: 'long' | 'short'): Affine => turnMap(sheet, turnOf(sheet, edge));
