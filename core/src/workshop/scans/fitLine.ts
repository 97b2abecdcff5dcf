import type { Point } from '../../ground/geometry/types.ts';
import { median } from './median.ts';
import type { Edge } from './types.ts';

const ROUNDS = 6;
/** Points that are farther off than so many of the usual are something else: dust, a torn corner. */
const FAR = 3;
/** Median of the absolute value of a normal deviate of spread one. */
const USUAL = 0.6745;

/**
 * The line that most points lie on: total least squares, again and again without those that are far off.
 * Source: the first principal axis of points in the plane
 * @returns null of fewer than four points
 */
export function fitLine(points: readonly Point[]): Edge | null {
  let used = points;
  let line: Edge | null = null;
  for (let round = 0; round < ROUNDS; round += 1) {
    if (used.length < 4) return line;
    line = through(used);
    const offs = points.map((p) => Math.abs(offLine(line!, p)));
    // Of all of them, so that what was left out can come back.
    const usual = Math.max(median(offs) / USUAL, 1e-6);
    const next = points.filter((_, i) => offs[i]! <= FAR * usual);
    if (next.length === used.length && round > 0) break;
    used = next;
  }
  return line;
}

/** How far a point lies off a line, to its left where that runs up. */
export const offLine = ({ at, along }: Pick<Edge, 'at' | 'along'>, { xMm, yMm }: Point): number =>
  (yMm - at.yMm) * along.xMm - (xMm - at.xMm) * along.yMm;

/** Where two lines cross. */
export function crossing(a: Pick<Edge, 'at' | 'along'>, b: Pick<Edge, 'at' | 'along'>): Point {
  const det = a.along.xMm * b.along.yMm - a.along.yMm * b.along.xMm;
  const t = ((b.at.xMm - a.at.xMm) * b.along.yMm - (b.at.yMm - a.at.yMm) * b.along.xMm) / det;
  return { xMm: a.at.xMm + t * a.along.xMm, yMm: a.at.yMm + t * a.along.yMm };
}

function through(points: readonly Point[]): Edge {
  const n = points.length;
  const at = {
    xMm: points.reduce((sum, p) => sum + p.xMm, 0) / n,
    yMm: points.reduce((sum, p) => sum + p.yMm, 0) / n,
  };
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    const [x, y] = [p.xMm - at.xMm, p.yMm - at.yMm];
    xx += x * x;
    xy += x * y;
    yy += y * y;
  }
  const turn = Math.atan2(2 * xy, xx - yy) / 2;
  const along = { xMm: Math.cos(turn), yMm: Math.sin(turn) };
  const line = { at, along, leftMm: 0 };
  const squares = points.reduce((sum, p) => sum + offLine(line, p) ** 2, 0);
  return { ...line, leftMm: Math.sqrt(squares / n) };
}
