import type { Affine } from '../geometry/affine.ts';
import { apply } from '../geometry/affine.ts';
import { boxAround, corners, grow, evenSides } from '../geometry/box.ts';
import { boxPath, polygon } from '../geometry/path.ts';
import { inSpace } from '../fold/foldBlank.ts';
import { readingPoses } from '../fold/readFaces.ts';
import { chain, move, plus, turn, turnAbout, type Pose } from '../fold/space.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Colour, Scene, Shape } from '../scene/types.ts';
import type { SizePlan } from './planSize.ts';

export interface FoldedView {
  /** 0 shut, 1 flat open. */
  readonly open: number;
  readonly stockColour: Colour;
  /** Art of each side in the blank's frame. */
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  readonly yawDeg?: number;
  readonly pitchDeg?: number;
}

/** Up to this opening both panels of a tent lean alike; beyond it the front is lifted up to be read. */
const LEANS_UNTIL_DEG = 70;

/**
 * The card partly open, seen from a little to one side and above. A parallel view of a flat panel is an
 * affine map, so each panel's art is drawn exactly, without approximating it in pieces.
 */
export function drawFolded(size: SizePlan, { open, stockColour, art, yawDeg = -24, pitchDeg = 14 }: FoldedView): Scene {
  const { form } = size;
  const state = Object.fromEntries(form.blank.creases.map((c) => [c.id, 1 - open]));
  const poses = readingPoses(form, state);
  const body = chain(camera(yawDeg, pitchDeg), lean(size, open, poses));
  const seen = form.blank.panels.map((panel) => {
    const pose = chain(body, poses.get(panel.id)!);
    const normal = turn(pose, [0, 0, 1]);
    const middle = move(
      pose,
      inSpace({ xMm: panel.box.xMm + panel.box.widthMm / 2, yMm: panel.box.yMm + panel.box.heightMm / 2 }),
    );
    const side: PaperSide = normal[2] >= 0 ? 'outside' : 'inside';
    return {
      panel,
      map: flatten(pose),
      side,
      depth: middle[2],
      facing: Math.abs(normal[2]),
      tilt: normal[1] * (side === 'outside' ? 1 : -1),
    };
  });
  // When shut, panels share a plane; the resting panel lies behind the front.
  seen.sort((a, b) => a.depth - b.depth || (a.panel.id === form.restingPanelId ? -1 : 1));
  const shapes: Shape[] = [];
  for (const { panel, map, side, facing, tilt } of seen) {
    const outline = polygon(corners(panel.box).map((p) => apply(map, p)));
    shapes.push({ kind: 'path', role: 'stock', path: outline, fill: stockColour });
    shapes.push({ kind: 'group', transform: map, clip: boxPath(panel.box), children: art[side] });
    // Light from above and in front: panels turned away or down are darker.
    const dark = Math.min(0.34, 0.26 * (1 - facing) + 0.12 * Math.max(0, -tilt));
    if (dark > 0.005) shapes.push({ kind: 'path', role: 'shade', path: outline, fillOpacity: dark });
    shapes.push({ kind: 'path', role: 'dimension', path: outline });
  }
  const around = boxAround(seen.flatMap(({ panel, map }) => corners(panel.box).map((p) => apply(map, p))));
  const pad = Math.max(around.widthMm, around.heightMm) * 0.06;
  return { box: grow(around, evenSides(pad)), symbols: {}, shapes };
}

function camera(yawDeg: number, pitchDeg: number): Pose {
  const rad = Math.PI / 180;
  return chain(turnAbout([0, 0, 0], [1, 0, 0], pitchDeg * rad), turnAbout([0, 0, 0], [0, 1, 0], yawDeg * rad));
}

/** Half the opening, about the fold, so that a tent stands evenly on both feet. */
function lean(size: SizePlan, open: number, poses: ReadonlyMap<string, Pose>): Pose {
  const [crease] = size.form.blank.creases;
  const still = turnAbout([0, 0, 0], [1, 0, 0], 0);
  if (!crease) return still;
  const rest = poses.get(size.form.restingPanelId)!;
  const [a, b] = [move(rest, inSpace(crease.from)), move(rest, inSpace(crease.to))];
  const along = plus(b, [-a[0], -a[1], -a[2]]);
  const level = Math.abs(along[1]) < 1e-6;
  if (!level) return still;
  const opened = open * 180;
  const half =
    opened <= LEANS_UNTIL_DEG ? opened / 2 : (LEANS_UNTIL_DEG / 2) * ((180 - opened) / (180 - LEANS_UNTIL_DEG));
  return turnAbout(a, [1, 0, 0], (half * Math.PI) / 180);
}

/** Drops depth: space x right, y up becomes drawing x right, y down. */
function flatten(pose: Pose): Affine {
  const origin = move(pose, [0, 0, 0]);
  const x = turn(pose, [1, 0, 0]);
  const y = turn(pose, [0, -1, 0]);
  return [x[0], -x[1], y[0], -y[1], origin[0], -origin[1]];
}
