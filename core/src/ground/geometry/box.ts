import { apply, type Affine } from './affine.ts';
import { TOLERANCE_MM, type Box, type Point, type Sides } from './types.ts';

export const corners = ({ xMm, yMm, widthMm, heightMm }: Box): readonly Point[] => [
  { xMm, yMm },
  { xMm: xMm + widthMm, yMm },
  { xMm: xMm + widthMm, yMm: yMm + heightMm },
  { xMm, yMm: yMm + heightMm },
];

export const evenSides = (mm: number): Sides => ({ top: mm, right: mm, bottom: mm, left: mm });

/** Grown outwards by each side; negative sides shrink. */
export const grow = (box: Box, { top, right, bottom, left }: Sides): Box => ({
  xMm: box.xMm - left,
  yMm: box.yMm - top,
  widthMm: box.widthMm + left + right,
  heightMm: box.heightMm + top + bottom,
});

export const shrink = (box: Box, { top, right, bottom, left }: Sides): Box =>
  grow(box, { top: -top, right: -right, bottom: -bottom, left: -left });

/** The smallest upright box round some points. @throws RangeError without points */
export function boxAround(points: readonly Point[]): Box {
  if (points.length === 0) throw new RangeError('boxAround: points must not be empty');
  const xs = points.map((p) => p.xMm);
  const ys = points.map((p) => p.yMm);
  const [xMm, yMm] = [Math.min(...xs), Math.min(...ys)];
  return { xMm, yMm, widthMm: Math.max(...xs) - xMm, heightMm: Math.max(...ys) - yMm };
}

export const mapBox = (map: Affine, box: Box): Box => boxAround(corners(box).map((p) => apply(map, p)));

/** True where two boxes have more than an edge in common. */
export const overlaps = (a: Box, b: Box): boolean =>
  a.xMm < b.xMm + b.widthMm && b.xMm < a.xMm + a.widthMm && a.yMm < b.yMm + b.heightMm && b.yMm < a.yMm + a.heightMm;

/** What lies in both; null where they only touch, or do not. */
export function commonBox(a: Box, b: Box): Box | null {
  const [left, top] = [Math.max(a.xMm, b.xMm), Math.max(a.yMm, b.yMm)];
  const right = Math.min(a.xMm + a.widthMm, b.xMm + b.widthMm);
  const bottom = Math.min(a.yMm + a.heightMm, b.yMm + b.heightMm);
  return right > left && bottom > top ? { xMm: left, yMm: top, widthMm: right - left, heightMm: bottom - top } : null;
}

export const isInside = (inner: Box, outer: Box): boolean =>
  inner.xMm >= outer.xMm - TOLERANCE_MM &&
  inner.yMm >= outer.yMm - TOLERANCE_MM &&
  inner.xMm + inner.widthMm <= outer.xMm + outer.widthMm + TOLERANCE_MM &&
  inner.yMm + inner.heightMm <= outer.yMm + outer.heightMm + TOLERANCE_MM;
