import type { Path } from './path.ts';
import { TOLERANCE_MM, type Point } from './types.ts';

/** A closed outline of straight edges; the last point joins the first. */
export type Polygon = readonly Point[];

/** Twice over a curve may differ from its chord by this much; a sixth of a hair. */
export const FLATNESS_MM = 0.005;

export const edgesOf = (polygon: Polygon): readonly (readonly [Point, Point])[] =>
  polygon.map((point, i) => [point, polygon[(i + 1) % polygon.length]!] as const);

/** Positive when the points run clockwise as seen (y down). Source: the shoelace formula. */
export const signedArea = (polygon: Polygon): number =>
  edgesOf(polygon).reduce((sum, [a, b]) => sum + a.xMm * b.yMm - b.xMm * a.yMm, 0) / 2;

/** The same outline with its points running clockwise, so that it adds to others and takes nothing from them. */
export const clockwise = (polygon: Polygon): Polygon => (signedArea(polygon) < 0 ? [...polygon].reverse() : polygon);

export const areaOf = (polygon: Polygon): number => Math.abs(signedArea(polygon));

/** The middle of its area. Source: Green’s theorem, as the shoelace formula. */
export function centroidOf(polygon: Polygon): Point {
  const [first] = polygon;
  let [twice, x, y] = [0, 0, 0];
  // About its first point: far from the origin figures would be lost.
  for (const [a, b] of edgesOf(polygon)) {
    const [ax, ay, bx, by] = [a.xMm - first!.xMm, a.yMm - first!.yMm, b.xMm - first!.xMm, b.yMm - first!.yMm];
    const area = ax * by - bx * ay;
    twice += area;
    x += (ax + bx) * area;
    y += (ay + by) * area;
  }
  return { xMm: first!.xMm + x / (3 * twice), yMm: first!.yMm + y / (3 * twice) };
}

/** Even-odd rule; a point on an edge may fall either way. */
export function contains(polygon: Polygon, { xMm, yMm }: Point): boolean {
  let inside = false;
  for (const [a, b] of edgesOf(polygon))
    if (a.yMm > yMm !== b.yMm > yMm && xMm < a.xMm + ((yMm - a.yMm) / (b.yMm - a.yMm)) * (b.xMm - a.xMm))
      inside = !inside;
  return inside;
}

export function distanceToEdge({ xMm, yMm }: Point, [a, b]: readonly [Point, Point]): number {
  const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
  const along = ((xMm - a.xMm) * dx + (yMm - a.yMm) * dy) / (dx * dx + dy * dy || 1);
  const t = Math.min(1, Math.max(0, along));
  return Math.hypot(xMm - a.xMm - t * dx, yMm - a.yMm - t * dy);
}

/** Four corners on an upright box and nothing else. */
export function isUprightBox(polygon: Polygon): boolean {
  return (
    polygon.length === 4 &&
    edgesOf(polygon).every(([a, b]) => Math.abs(a.xMm - b.xMm) < TOLERANCE_MM || Math.abs(a.yMm - b.yMm) < TOLERANCE_MM)
  );
}

/**
 * The part of a polygon on one side of a line, by walking its edges once.
 * @param keep the signed distance of a point from the line, positive on the side that stays
 * Source: Sutherland and Hodgman, Reentrant polygon clipping, 1974
 */
export function clipTo(polygon: Polygon, keep: (point: Point) => number): Polygon {
  const kept: Point[] = [];
  for (const [a, b] of edgesOf(polygon)) {
    const [da, db] = [keep(a), keep(b)];
    if (da >= 0) kept.push(a);
    if ((da > 0 && db < 0) || (da < 0 && db > 0)) {
      const t = da / (da - db);
      kept.push({ xMm: a.xMm + t * (b.xMm - a.xMm), yMm: a.yMm + t * (b.yMm - a.yMm) });
    }
  }
  return withoutSpikes(kept);
}

/** Without doubled points, and without edges that run out along the clipping line and straight back. */
function withoutSpikes(points: readonly Point[]): Polygon {
  const left = [...points];
  for (let i = 0; i < left.length && left.length > 2;) {
    const [p, q, r] = [left[(i + left.length - 1) % left.length]!, left[i]!, left[(i + 1) % left.length]!];
    const [ax, ay, bx, by] = [q.xMm - p.xMm, q.yMm - p.yMm, r.xMm - q.xMm, r.yMm - q.yMm];
    const doubled = Math.hypot(bx, by) <= TOLERANCE_MM;
    const back = Math.abs(ax * by - ay * bx) <= TOLERANCE_MM * Math.hypot(bx, by) && ax * bx + ay * by < 0;
    if (doubled || back) {
      left.splice(i, 1);
      // The neighbour before may have become a spike in its turn.
      i = Math.max(0, i - 1);
    } else i += 1;
  }
  return left;
}

export const between = (polygon: Polygon, fromXMm: number, toXMm: number): Polygon =>
  clipTo(
    clipTo(polygon, (p) => p.xMm - fromXMm),
    (p) => toXMm - p.xMm,
  );

/** Where an upright line runs inside a polygon: stretches of y, from the top. */
export function chordsAt(polygon: Polygon, xMm: number): readonly (readonly [number, number])[] {
  const ys: number[] = [];
  for (const [a, b] of edgesOf(polygon))
    if (a.xMm > xMm !== b.xMm > xMm) ys.push(a.yMm + ((xMm - a.xMm) / (b.xMm - a.xMm)) * (b.yMm - a.yMm));
  ys.sort((p, q) => p - q);
  return Array.from({ length: Math.floor(ys.length / 2) }, (_, i) => [ys[2 * i]!, ys[2 * i + 1]!] as const);
}

/** Swaps x and y: a form that folds beside itself becomes one that folds above itself. */
export const transposed = (polygon: Polygon): Polygon => polygon.map(({ xMm, yMm }) => ({ xMm: yMm, yMm: xMm }));

export const moved = (polygon: Polygon, byXMm: number, byYMm: number): Polygon =>
  polygon.map(({ xMm, yMm }) => ({ xMm: xMm + byXMm, yMm: yMm + byYMm }));

/**
 * Straight pieces that stay within `FLATNESS_MM` of a path, one polygon for each figure.
 * A cubic's distance from a chord is at most |second difference| · 3/4 ÷ pieces², which gives the count.
 * Source: Sederberg, Computer Aided Geometric Design, on flattening by forward differences.
 */
export function flatten(path: Path): readonly Polygon[] {
  const figures: Point[][] = [];
  let at: Point = { xMm: 0, yMm: 0 };
  for (const part of path) {
    if (part.kind === 'close') continue;
    if (part.kind === 'move') figures.push([part.to]);
    else if (part.kind === 'line') figures.at(-1)!.push(part.to);
    else {
      const bend = Math.max(
        Math.hypot(at.xMm - 2 * part.c1.xMm + part.c2.xMm, at.yMm - 2 * part.c1.yMm + part.c2.yMm),
        Math.hypot(part.c1.xMm - 2 * part.c2.xMm + part.to.xMm, part.c1.yMm - 2 * part.c2.yMm + part.to.yMm),
      );
      const pieces = Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / FLATNESS_MM)));
      for (let i = 1; i <= pieces; i += 1) figures.at(-1)!.push(onCurve(at, part, i / pieces));
    }
    at = part.to;
  }
  return figures
    .map((figure) => {
      const [first, last] = [figure[0]!, figure.at(-1)!];
      const closed = Math.hypot(first.xMm - last.xMm, first.yMm - last.yMm) < TOLERANCE_MM;
      return closed ? figure.slice(0, -1) : figure;
    })
    .filter((figure) => figure.length >= 3);
}

function onCurve(from: Point, { c1, c2, to }: { c1: Point; c2: Point; to: Point }, t: number): Point {
  const u = 1 - t;
  const mix = (axis: 'xMm' | 'yMm'): number =>
    u * u * u * from[axis] + 3 * u * u * t * c1[axis] + 3 * u * t * t * c2[axis] + t * t * t * to[axis];
  return { xMm: mix('xMm'), yMm: mix('yMm') };
}
