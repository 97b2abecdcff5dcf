import { contains, distanceToEdge, edgesOf } from '../geometry/polygon.ts';
import { inSpace } from './foldBlank.ts';
import { cross, dot, move, turn, undo, type Pose, type Vec3 } from './space.ts';
import type { Blank, BlankCut, Panel } from './types.ts';

export interface Collision {
  readonly panelIds: readonly [string, string];
  /** How far from both outlines the middle of the place lies where they pass through each other. */
  readonly depthMm: number;
}

/**
 * Panels that pass through each other. Two planes meet in a line; each panel covers stretches of it, and
 * where both cover the same stretch they collide. Panels that share a crease meet there by right and are
 * not compared; panels in parallel planes are a pile, which the layers answer for.
 * What goes through a slit goes there by right, too.
 * @param giveMm how near its rim a panel may be touched
 */
export function collisions(blank: Blank, poses: ReadonlyMap<string, Pose>, giveMm: number): readonly Collision[] {
  const joined = new Set(blank.creases.map(({ joins }) => [...joins].sort().join('|')));
  const found: Collision[] = [];
  blank.panels.forEach((a, i) => {
    for (const b of blank.panels.slice(i + 1)) {
      if (joined.has([a.id, b.id].sort().join('|'))) continue;
      const depthMm = depthOf(a, poses.get(a.id)!, b, poses.get(b.id)!, blank.cuts);
      if (depthMm > giveMm) found.push({ panelIds: [a.id, b.id], depthMm });
    }
  });
  return found;
}

/** Planes nearer to parallel than this have no line worth the name. */
const LEAST_SINE = 1e-6;

type Outlined = Pick<Panel, 'outline'>;

/** How deep two sheets pass through each other, mm from both rims; nought where they do not, or lie in one plane. */
export function depthOf(a: Outlined, poseA: Pose, b: Outlined, poseB: Pose, cuts: readonly BlankCut[]): number {
  const along = cross(turn(poseA, [0, 0, 1]), turn(poseB, [0, 0, 1]));
  const sine = Math.hypot(...along);
  if (sine < LEAST_SINE) return 0;
  const unit: Vec3 = [along[0] / sine, along[1] / sine, along[2] / sine];
  const [ofA, ofB] = [stretches(a, poseA, poseB, unit), stretches(b, poseB, poseA, unit)];
  let deepest = 0;
  for (const [from, to, point] of ofA)
    for (const [start, end] of ofB) {
      const [low, high] = [Math.max(from, start), Math.min(to, end)];
      if (high <= low) continue;
      const onLine = (t: number): Vec3 => [0, 1, 2].map((k) => point[k]! + (t - from) * unit[k]!) as unknown as Vec3;
      if (
        goesThrough(a, poseA, cuts, onLine(low), onLine(high)) ||
        goesThrough(b, poseB, cuts, onLine(low), onLine(high))
      )
        continue;
      const middle = (low + high) / 2;
      const at = onLine(middle);
      deepest = Math.max(deepest, Math.min(fromRim(a, poseA, at), fromRim(b, poseB, at)));
    }
  return deepest;
}

/** A tongue bends as it comes down on its slit, which rigid panels cannot: this far beside it counts as in it. Our starting value. */
const BESIDE_SLIT_MM = 15;
const SLIGHT_MM = 0.01;

/** True where a stretch, from end to end, is no longer than a slit of the panel and lies over it. */
function goesThrough(panel: Outlined, pose: Pose, cuts: readonly BlankCut[], ...ends: readonly Vec3[]): boolean {
  const back = undo(pose);
  return cuts.some(({ kind, points: [a, b] }) => {
    if (kind !== 'slit') return false;
    if (!contains(panel.outline, { xMm: (a!.xMm + b!.xMm) / 2, yMm: (a!.yMm + b!.yMm) / 2 })) return false;
    const long = Math.hypot(b!.xMm - a!.xMm, b!.yMm - a!.yMm);
    const [ux, uy] = [(b!.xMm - a!.xMm) / long, (b!.yMm - a!.yMm) / long];
    return ends.every((end) => {
      const [x, y] = move(back, end);
      const [dx, dy] = [x - a!.xMm, -y - a!.yMm];
      const [on, off] = [dx * ux + dy * uy, Math.abs(dx * uy - dy * ux)];
      return on > -SLIGHT_MM && on < long + SLIGHT_MM && off < BESIDE_SLIT_MM;
    });
  });
}

/** Where a panel cuts another’s plane: stretches along the common line, with the first end of each in space. */
function stretches(
  panel: Outlined,
  pose: Pose,
  plane: Pose,
  unit: Vec3,
): readonly (readonly [from: number, to: number, start: Vec3])[] {
  const back = undo(plane);
  const points = panel.outline.map((p) => move(pose, inSpace(p)));
  const heights = points.map((p) => move(back, p)[2]);
  const cuts: { readonly at: number; readonly point: Vec3 }[] = [];
  points.forEach((p, i) => {
    const j = (i + 1) % points.length;
    const [hp, hq] = [heights[i]!, heights[j]!];
    if (hp > 0 === hq > 0) return;
    const t = hp / (hp - hq);
    const q = points[j]!;
    const point: Vec3 = [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])];
    cuts.push({ at: dot(point, unit), point });
  });
  cuts.sort((x, y) => x.at - y.at);
  return Array.from({ length: Math.floor(cuts.length / 2) }, (_, i) => {
    const [start, end] = [cuts[2 * i]!, cuts[2 * i + 1]!];
    return [start.at, end.at, start.point] as const;
  });
}

function fromRim(panel: Outlined, pose: Pose, at: Vec3): number {
  const [x, y] = move(undo(pose), at);
  return Math.min(...edgesOf(panel.outline).map((edge) => distanceToEdge({ xMm: x, yMm: -y }, edge)));
}
