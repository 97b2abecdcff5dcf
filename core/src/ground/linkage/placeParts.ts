import { determinant, type Affine } from '../geometry/affine.ts';
import type { Point } from '../geometry/types.ts';
import type { Deg, Mm } from '../length/types.ts';
import { foldBlank, inSpace } from '../fold/foldBlank.ts';
import { chain, minus, move, STILL, turnAbout, type Pose } from '../fold/space.ts';
import type { Panel } from '../fold/types.ts';
import { bodyKey, type Joint, type LinkPart, type LinkState, type Strap } from './types.ts';

/** Poses by `bodyKey`: from a body’s own flat blank into space, y up, z towards the reader of the open pages. */
export type Poses = ReadonlyMap<string, Pose>;

/** Both pages at an opening; the gutter is the line x = z = 0. */
export const pagePoses = (openDeg: Deg): Poses =>
  new Map([
    ['a', STILL],
    ['b', turnAbout([0, 0, 0], [0, 1, 0], ((openDeg - 180) * Math.PI) / 180)],
  ]);

/**
 * Every panel of every part where its first joint and its creases put it.
 * @throws RangeError when a joint’s map is not rigid, or what carries a part is not placed before it
 */
export function placeParts(parts: readonly LinkPart[], state: LinkState, openDeg: Deg): Poses {
  const poses = new Map(pagePoses(openDeg));
  for (const part of parts) {
    const [first] = part.joints;
    const own = foldBlank(part.blank, state[part.id] ?? {}, first.panelId, heldBy(first, poses));
    for (const [panelId, pose] of own) poses.set(bodyKey({ partId: part.id, panelId }), pose);
  }
  return poses;
}

/** Where a joint holds its panel. */
export function heldBy({ id, on, onto }: Joint, poses: Poses): Pose {
  const carrier = poses.get(bodyKey(on));
  if (!carrier) throw new RangeError(`placeParts: joint “${id}” is on “${bodyKey(on)}”, which is not placed before it`);
  return chain(carrier, lifted(onto));
}

/** How far a joint’s panel is from where its glue holds it: the farthest of its corners. */
export function gapOf(partId: string, joint: Joint, panel: Panel, poses: Poses): Mm {
  const [own, held] = [poses.get(bodyKey({ partId, panelId: joint.panelId }))!, heldBy(joint, poses)];
  return Math.max(...panel.outline.map((p) => Math.hypot(...minus(move(own, inSpace(p)), move(held, inSpace(p))))));
}

const endOf = ({ body, at }: { readonly body: Strap['from']['body']; readonly at: Point }, poses: Poses) =>
  move(poses.get(bodyKey(body))!, inSpace(at));

/** From end to end in a straight line. */
export const strapSpan = ({ from, to }: Strap, poses: Poses): Mm =>
  Math.hypot(...minus(endOf(to, poses), endOf(from, poses)));

/** A rigid map of the plane, y down, as a pose of space, y up; a mirrored one turns the paper over. */
export function lifted(map: Affine): Pose {
  const [a, b, c, d, e, f] = map;
  const det = determinant(map);
  const isRigid = Math.abs(Math.abs(det) - 1) < 1e-9 && Math.abs(Math.hypot(a, b) - 1) < 1e-9;
  if (!isRigid) throw new RangeError(`placeParts: a joint wanted a rigid map, got one of determinant ${det}`);
  return {
    rows: [
      [a, -c, 0],
      [-b, d, 0],
      [0, 0, Math.sign(det)],
    ],
    shift: [e, -f, 0],
  };
}
