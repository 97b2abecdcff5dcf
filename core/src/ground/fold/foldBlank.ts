import type { Point } from '../geometry/types.ts';
import { chain, cross, minus, STILL, turnAbout, type Pose, type Vec3 } from './space.ts';
import type { Blank, Crease, FoldState, Panel } from './types.ts';

/** A point of the flat blank in space: the blank lies in z = 0 with its outside towards the reader. */
export const inSpace = ({ xMm, yMm }: Point): Vec3 => [xMm, -yMm, 0];

/**
 * Turns rigid panels about their creases, starting from one that keeps its place.
 * @param state degrees by which each crease is folded
 * @param fixedPanelId the panel that `fixedPose` places (default: where it lies on the flat blank)
 * @returns a pose for every panel, from the flat blank into space
 * @throws RangeError when a panel is not joined to the others, or is not there
 */
export function foldBlank(
  blank: Blank,
  state: FoldState,
  fixedPanelId: string,
  fixedPose: Pose = STILL,
): ReadonlyMap<string, Pose> {
  const panels = new Map(blank.panels.map((panel) => [panel.id, panel]));
  if (!panels.has(fixedPanelId)) throw new RangeError(`foldBlank: no panel “${fixedPanelId}” on the blank`);
  const poses = new Map<string, Pose>([[fixedPanelId, fixedPose]]);
  const waiting = [fixedPanelId];
  for (let from = waiting.pop(); from !== undefined; from = waiting.pop()) {
    for (const crease of blank.creases) {
      const next = across(crease, from);
      if (next === null || poses.has(next)) continue;
      poses.set(next, chain(poses.get(from)!, creaseTurn(crease, panels.get(next)!, state[crease.id] ?? 0)));
      waiting.push(next);
    }
  }
  if (poses.size !== panels.size) throw new RangeError('foldBlank: every panel must be joined by a crease');
  return poses;
}

/** The panel on the other side of a crease, or null when it does not touch this one. */
export function across({ joins: [a, b] }: Crease, from: string): string | null {
  if (a === from) return b;
  return b === from ? a : null;
}

/** A mountain carries the moving panel away from a reader who sees the outside; a valley brings it nearer. */
function creaseTurn(crease: Crease, moving: Panel, foldedDeg: number): Pose {
  const start = inSpace(crease.from);
  const along = minus(inSpace(crease.to), start);
  const length = Math.hypot(...along);
  const axis: Vec3 = [along[0] / length, along[1] / length, along[2] / length];
  // Its farthest corner tells on which side of a slanting crease a panel lies; the middle of its box need not.
  let reach = 0;
  for (const corner of moving.outline) {
    const off = cross(axis, minus(inSpace(corner), start))[2];
    if (Math.abs(off) > Math.abs(reach)) reach = off;
  }
  const nearer = reach > 0 ? 1 : -1;
  const sense = crease.direction === 'valley' ? nearer : -nearer;
  return turnAbout(start, axis, (sense * foldedDeg * Math.PI) / 180);
}
