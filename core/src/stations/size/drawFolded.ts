import { apply, type Affine } from '../../ground/geometry/affine.ts';
import { boxAround, grow, evenSides } from '../../ground/geometry/box.ts';
import { cardPath, cutsOf } from '../../ground/fold/blankCuts.ts';
import { inSpace } from '../../ground/fold/foldBlank.ts';
import { atOpening, atStep } from '../../ground/fold/foldForm.ts';
import { chain, move, turn, turnAbout, type Pose, type Vec3 } from '../../ground/fold/space.ts';
import type { PaperSide } from '../../ground/fold/types.ts';
import type { Colour, Scene, Shape } from '../../ground/scene/types.ts';
import { drawLayers, type LayerPrints } from './drawBlank.ts';
import { isUpright } from './folds.ts';
import type { FoldedPiece } from './planSize.ts';

/** As far as a reader has opened it (0 shut, 1 flat), or after so many steps of the folding. */
export type FoldStage = { readonly open: number } | { readonly done: number };

export type FoldedView = FoldStage & {
  readonly stockColour: Colour;
  /** Art of each side in the blank's frame. */
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  readonly prints?: LayerPrints;
  readonly yawDeg?: number;
  readonly pitchDeg?: number;
};

/** Up to this opening both panels of a tent lean alike; beyond it the front is lifted up to be read. */
const LEANS_UNTIL_DEG = 70;

export const posesAt = (size: FoldedPiece, stage: FoldStage): ReadonlyMap<string, Pose> =>
  'open' in stage ? atOpening(size.form, size.folding, stage.open) : atStep(size.form, size.folding, stage.done);

/**
 * The card partly open, seen from a little to one side and above. A parallel view of a flat panel is an
 * affine map, so each panel's art is drawn exactly, without approximating it in pieces.
 */
export function drawFolded(size: FoldedPiece, view: FoldedView): Scene {
  const { form } = size;
  const { stockColour, art, yawDeg = -24, pitchDeg = 14 } = view;
  const poses = posesAt(size, view);
  const body = chain(camera(yawDeg, pitchDeg), lean(size, view, poses));
  const layers = {
    outside: drawLayers(size, 'outside', view.prints),
    inside: drawLayers(size, 'inside', view.prints),
  };
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
  seen.sort((a, b) => a.depth - b.depth);
  const shapes: Shape[] = [];
  for (const { panel, map, side, facing, tilt } of seen) {
    const cuts = cutsOf(form.blank, panel);
    const outline = cardPath(
      panel.outline.map((p) => apply(map, p)),
      cuts.map((cut) => ({ ...cut, points: cut.points.map((p) => apply(map, p)) })),
    );
    shapes.push({ kind: 'path', role: 'stock', path: outline, fill: stockColour });
    shapes.push({
      kind: 'group',
      transform: map,
      clip: cardPath(panel.outline, cuts),
      children: [...art[side], ...layers[side]],
    });
    // Light from above and in front: panels turned away or down are darker.
    const dark = Math.min(0.34, 0.26 * (1 - facing) + 0.12 * Math.max(0, -tilt));
    if (dark > 0.005) shapes.push({ kind: 'path', role: 'shade', path: outline, fillOpacity: dark });
    shapes.push({ kind: 'path', role: 'dimension', path: outline });
  }
  const around = boxAround(seen.flatMap(({ panel, map }) => panel.outline.map((p) => apply(map, p))));
  const pad = Math.max(around.widthMm, around.heightMm) * 0.06;
  return { box: grow(around, evenSides(pad)), symbols: {}, shapes };
}

function camera(yawDeg: number, pitchDeg: number): Pose {
  const rad = Math.PI / 180;
  return chain(turnAbout([0, 0, 0], [1, 0, 0], pitchDeg * rad), turnAbout([0, 0, 0], [0, 1, 0], yawDeg * rad));
}

/** Half the opening of a card with one level fold, about that fold, so that a tent stands evenly on both feet. */
function lean(size: FoldedPiece, view: FoldStage, poses: ReadonlyMap<string, Pose>): Pose {
  const still = turnAbout([0, 0, 0], [1, 0, 0], 0);
  const [crease] = size.form.blank.creases;
  if (!crease || size.form.blank.creases.length > 1 || isUpright(crease)) return still;
  const open = 'open' in view ? view.open : 1 - view.done;
  const rest = poses.get(size.form.restingPanelId)!;
  const at: Vec3 = move(rest, inSpace(crease.from));
  const opened = open * 180;
  const half =
    opened <= LEANS_UNTIL_DEG ? opened / 2 : (LEANS_UNTIL_DEG / 2) * ((180 - opened) / (180 - LEANS_UNTIL_DEG));
  // The panel that rests swings its half: back where it is the back, forward where it is the front itself.
  const sense = size.form.restingPanelId === size.form.frontPanelId ? -1 : 1;
  return turnAbout(at, [1, 0, 0], (sense * half * Math.PI) / 180);
}

/** Drops depth: space x right, y up becomes drawing x right, y down. */
function flatten(pose: Pose): Affine {
  const origin = move(pose, [0, 0, 0]);
  const x = turn(pose, [1, 0, 0]);
  const y = turn(pose, [0, -1, 0]);
  return [x[0], -x[1], y[0], -y[1], origin[0], -origin[1]];
}
