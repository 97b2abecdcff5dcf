import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { move, turn } from '../../../ground/fold/space.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Box, Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { placeParts, type Poses } from '../../../ground/linkage/placeParts.ts';
import { bodyKey } from '../../../ground/linkage/types.ts';
import { popUpLimits, type PopUp } from '../../../job/popUps.ts';
import { mechanismOf } from './mechanisms/index.ts';
import type { PopUpPlan } from './popUpPlan.ts';

/** A measure of a pop-up that grows as it is moved one way on the open pages. */
export interface GripMove {
  readonly id: 'alongMm' | 'depthMm' | 'pastMm';
  /** A unit vector. */
  readonly way: Point;
}

/** What a pop-up is taken hold of by on the open pages, flat. */
export interface Grip {
  readonly layer: number;
  readonly layerId: string;
  readonly name: string;
  readonly popUp: PopUp;
  readonly box: Box;
  readonly moves: readonly GripMove[];
}

/** Everything that can be moved by hand on the open pages, carriers first; what stands up when they lie flat is not. */
export function gripsOf(popUps: PopUpPlan): readonly Grip[] {
  const flat = popUps.motion.at(-1)!;
  const poses = placeParts(popUps.parts, flat.state, flat.openDeg);
  return popUps.order.flatMap(({ layer, layerId, name, popUp, partIds }): readonly Grip[] => {
    const points = [
      ...popUps.parts
        .filter(({ id }) => partIds.includes(id))
        .flatMap(({ id, blank, tabs }) =>
          blank.panels
            .filter((panel) => !tabs.includes(panel.id) || blank.panels.length === 1)
            .flatMap((panel) => onPages(panel.outline, poses, bodyKey({ partId: id, panelId: panel.id }))),
        ),
      // A fan’s ends lie on its pages.
      ...popUps.spots
        .filter(({ partId, on }) => partIds.includes(partId) && on.partId === null)
        .flatMap(({ area }) => area),
    ];
    const moves = movesOf(popUps, popUp, poses);
    return points.length === 0 || moves.length === 0
      ? []
      : [{ layer, layerId, name, popUp, box: boxAround(points), moves }];
  });
}

const onPages = (outline: readonly Point[], poses: Poses, key: string): readonly Point[] =>
  outline.map((p) => {
    const [xMm, y] = move(poses.get(key)!, inSpace(p));
    return { xMm, yMm: -y };
  });

/** Less of a way than this lies in the open pages where what carries it stands up from them. */
const LIES = 0.9;

function movesOf(popUps: PopUpPlan, popUp: PopUp, poses: Poses): readonly GripMove[] {
  const { sits, inputs } = mechanismOf(popUp.mechanism);
  const isAsked = ({ id }: Pick<GripMove, 'id'>): boolean => inputs.some((input) => input.id === id);
  if (sits === 'seats') return [];
  // Away from the fold on the first page, and down the fold.
  if (sits === 'gutter') {
    const both: readonly GripMove[] = [
      { id: 'alongMm', way: { xMm: 0, yMm: 1 } },
      { id: 'depthMm', way: { xMm: -1, yMm: 0 } },
    ];
    return both.filter(isAsked);
  }
  const seat = seatOf(popUps, popUp);
  if (!seat) return [];
  const { body, up } = seat;
  const pose = poses.get(bodyKey(body));
  const wayOf = ({ xMm, yMm }: Point): Point => {
    const [x, y] = pose ? turn(pose, [xMm, -yMm, 0]) : [xMm, -yMm];
    return { xMm: x, yMm: -y };
  };
  const both: readonly GripMove[] = [
    { id: 'alongMm', way: wayOf({ xMm: -up.yMm, yMm: up.xMm }) },
    { id: 'pastMm', way: wayOf(up) },
  ];
  return both.filter(isAsked).filter(({ way }) => Math.hypot(way.xMm, way.yMm) > LIES);
}

const seatOf = ({ seats }: PopUpPlan, { on }: PopUp) =>
  seats.find(({ layerId, id }) => layerId === on.layerId && id === on.at)?.seat ?? null;

/** Dragged things come to rest on half millimetres. */
const STEP_MM = 0.5;

/** What a pop-up asks after it was moved on the open pages, within its limits. */
export function movedBy({ popUp, moves }: Pick<Grip, 'popUp' | 'moves'>, by: Point): Partial<PopUp> {
  return Object.fromEntries(
    moves.map(({ id, way }): readonly [GripMove['id'], Mm] => {
      const { least, most } = popUpLimits(id);
      const mm = popUp[id] + by.xMm * way.xMm + by.yMm * way.yMm;
      return [id, Math.min(most, Math.max(least, Math.round(mm / STEP_MM) * STEP_MM))];
    }),
  );
}
