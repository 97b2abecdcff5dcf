import { inSpace } from '../../../ground/fold/foldBlank.ts';
import {
  chain,
  cross,
  directionOf,
  minus,
  move,
  plus,
  scaled,
  turn,
  undo,
  type Pose,
  type Vec3,
} from '../../../ground/fold/space.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { lifted, placeParts, type Poses } from '../../../ground/linkage/placeParts.ts';
import { bodyKey, type LinkState, type Moment } from '../../../ground/linkage/types.ts';
import type { FoldedPiece } from '../planSize.ts';
import { fanAt } from './fanAt.ts';
import type { PopUpPlan } from './popUpPlan.ts';
import type { Gutter, PopUpBand, PopUpFan } from './types.ts';

/** A flat panel of a part where it stands: from its own blank into space. */
export interface StandingPanel {
  readonly partId: string;
  readonly panelId: string;
  readonly pose: Pose;
}

/** A bent sheet as four-cornered pieces, each with the part of the blank that it is. */
export interface StandingSheet {
  readonly partId: string;
  readonly quads: readonly (readonly [Vec3, Vec3, Vec3, Vec3])[];
}

export interface Standing {
  readonly panels: readonly StandingPanel[];
  readonly sheets: readonly StandingSheet[];
}

/**
 * Everything that moves, for a card whose pages stand so: the same folds as in its motion, and between two of its moments
 * in proportion. What is glued lies on what carries it, each as thick as it is.
 * @param size of what else is known of the card, its thickness and that of its parts
 * @param pages poses of the card’s panels, from its blank seen from outside
 */
export function standing(
  popUps: PopUpPlan,
  { layers, folding }: Pick<FoldedPiece, 'layers' | 'folding'>,
  pages: ReadonlyMap<string, Pose>,
): Standing {
  const onto = lifted(popUps.spread.toBlank);
  const { panelIds } = popUps.spread;
  const [base, other] = [chain(pages.get(panelIds.a)!, onto), chain(pages.get(panelIds.b)!, onto)];
  const openDeg = openingOf(base, other);
  const poses = placeParts(popUps.parts, stateAt(popUps.motion, openDeg), openDeg);
  const thickOf = (partId: string | null): Mm =>
    // What is cut in is of the card, and no piece of its own.
    (layers.find(({ id }) => id === partId)?.stock.caliperMicron ?? folding.caliperMm * 1000) / 1000;
  const panels = popUps.parts.flatMap(({ id, blank, joints, tabs, cutFrom, over }) => {
    const isOnOne = new Set(joints.map(({ on }) => bodyKey(on))).size === 1;
    const glued = new Map(cutFrom ? [] : joints.map((joint) => [joint.panelId, joint]));
    const seen = cutFrom ? blank.panels.filter((panel) => !tabs.includes(panel.id)) : blank.panels;
    return seen.map(({ id: panelId }): StandingPanel => {
      const pose = poses.get(bodyKey({ partId: id, panelId }))!;
      // What is carried by one body alone goes with it; what is held at both ends bends over that little.
      const joint = glued.get(panelId) ?? (isOnOne && !cutFrom ? joints[0] : undefined);
      const by: Vec3 = joint
        ? turn(poses.get(bodyKey(joint.on))!, [
            0,
            0,
            (joint.under ? -1 : 1) *
              ((thickOf(joint.on.partId) + thickOf(id)) / 2 + (over === undefined ? 0 : thickOf(over))),
          ])
        : NOWHERE;
      return { partId: id, panelId, pose: chain(base, { rows: pose.rows, shift: plus(pose.shift, by) }) };
    });
  });
  return {
    panels,
    sheets: bentSheets(popUps, poses).map(({ partId, quads }) => ({
      partId,
      quads: quads.map(([p, q, r, s]) => [move(base, p), move(base, q), move(base, r), move(base, s)] as const),
    })),
  };
}

/** Straps and fans, where the bodies they are glued to are so. */
export const bentSheets = (
  { bands, fans }: Pick<PopUpPlan, 'bands' | 'fans'>,
  poses: Poses,
): readonly StandingSheet[] => [
  ...bands.map((band) => ({ partId: band.id, quads: bandQuads(band, poses) })),
  ...fans.map((fan) => ({ partId: fan.id, quads: fanQuads(fan, poses) })),
];

const NOWHERE: Vec3 = [0, 0, 0];

/** How far two sides of a gutter are open, each given by where it puts the gutter’s plane. */
export function openingOf(a: Pose, b: Pose): Deg {
  const [x, , z] = turn(undo(a), turn(b, [1, 0, 0]));
  const deg = (Math.atan2(z, -x) * 180) / Math.PI;
  // A hair past flat, or past shut, is still that.
  return deg < -90 ? 180 : Math.max(0, deg);
}

/** Folds between two moments of a motion. */
export function stateAt(motion: readonly Moment[], openDeg: Deg): LinkState {
  const next = Math.max(
    1,
    motion.findIndex((moment) => moment.openDeg >= openDeg),
  );
  const [from, to] = [motion[next - 1]!, motion[next] ?? motion.at(-1)!];
  const share = to.openDeg > from.openDeg ? (openDeg - from.openDeg) / (to.openDeg - from.openDeg) : 0;
  return Object.fromEntries(
    Object.entries(from.state).map(([partId, folds]) => [
      partId,
      Object.fromEntries(
        Object.entries(folds).map(([id, deg]) => [id, deg + (to.state[partId]![id]! - deg) * Math.min(1, share)]),
      ),
    ]),
  );
}

/** Straight where it is taut; where it is loose it is bent once in its middle, away from the fold. */
function bandQuads({ from, to, widthMm, longMm, ups: [up] }: PopUpBand, poses: Poses): StandingSheet['quads'] {
  const [p, q] = [from, to].map(({ body, at }) => move(poses.get(bodyKey(body))!, inSpace(at)));
  // Its width runs square to what is up where it is glued first.
  const wide = turn(poses.get(bodyKey(from.body))!, [-up.yMm, -up.xMm, 0]);
  const half = scaled(wide, widthMm / 2);
  const span = Math.hypot(...minus(q!, p!));
  const loose = Math.sqrt(Math.max(0, (longMm / 2) ** 2 - (span / 2) ** 2));
  const middle = scaled(plus(p!, q!), 0.5);
  // Square to the strap and to its width, on the side away from the gutter.
  const normal = directionOf(cross(minus(q!, p!), wide)) ?? [0, 0, 1];
  const out = normal[0] * middle[0] + normal[2] * middle[2] >= 0 ? 1 : -1;
  const bend = plus(middle, scaled(normal, out * loose));
  const edge = (a: Vec3, b: Vec3): readonly [Vec3, Vec3, Vec3, Vec3] => [
    minus(a, half),
    plus(a, half),
    plus(b, half),
    minus(b, half),
  ];
  return [edge(p!, bend), edge(bend, q!)];
}

/** What is glued lies so little over its page that the two are told apart. */
const OVER_PAGE_MM = 0.2;

/** Its two ends flat on their pages, and a piece from crease to crease. */
function fanQuads(fan: PopUpFan, poses: Poses): StandingSheet['quads'] {
  const [a, b] = sidesOf(fan.gutter, poses);
  const { creases } = fanAt(fan, openingOf(a, b));
  const point = (deg: Deg, reachMm: Mm, alongMm: Mm): Vec3 => {
    const rad = (deg * Math.PI) / 180;
    return move(a, [-reachMm * Math.cos(rad), -(fan.alongMm + alongMm), reachMm * Math.sin(rad)]);
  };
  const glued = (pose: Pose, way: -1 | 1): readonly [Vec3, Vec3, Vec3, Vec3] => {
    const half = fan.pleatMm / 2;
    const at = (x: Mm, y: Mm): Vec3 => move(pose, [way * x, -(fan.alongMm + y), OVER_PAGE_MM]);
    return [at(0, -half), at(fan.lengthMm, -half), at(fan.lengthMm, half), at(0, half)];
  };
  const free = creases.slice(1).map(({ deg, innerMm, outerMm, reachMm }, i) => {
    const before = creases[i]!;
    return [
      point(before.deg, 0, before.innerMm),
      point(before.deg, before.reachMm, before.outerMm),
      point(deg, reachMm, outerMm),
      point(deg, 0, innerMm),
    ] as const;
  });
  return [glued(a, -1), ...free, glued(b, 1)];
}

const sidesOf = ({ a, b }: Gutter, poses: Poses): readonly [Pose, Pose] => [
  chain(poses.get(bodyKey(a.body))!, lifted(a.toBody)),
  chain(poses.get(bodyKey(b.body))!, lifted(b.toBody)),
];
