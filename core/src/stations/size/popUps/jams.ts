import { depthOf } from '../../../ground/fold/collisions.ts';
import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { move, type Pose } from '../../../ground/fold/space.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { placeParts } from '../../../ground/linkage/placeParts.ts';
import { bodyKey, PAGES, type Moment } from '../../../ground/linkage/types.ts';
import type { PutTogether } from './assemble.ts';
import type { Spread } from './spread.ts';

/** Every so many moments are looked at, and none so near to shut that rigid sheets without thickness touch by right. */
const EVERY = 2;
const FROM_DEG = 12;
/** Card gives by this much before what touches on the way counts as jammed. Our starting value. */
const GIVE_MM = 0.6;

export interface Jam {
  /** Null is a page. */
  readonly partIds: readonly [string | null, string | null];
  readonly openDeg: Deg;
  readonly depthMm: Mm;
}

interface Body {
  readonly key: string;
  readonly partId: string | null;
  readonly outline: Polygon;
}

type Reach = readonly (readonly [Mm, Mm])[];

/** How far a body reaches along each axis of space. */
function boxIn(outline: Polygon, pose: Pose): Reach {
  const points = outline.map((p) => move(pose, inSpace(p)));
  return [0, 1, 2].map((axis) => {
    const values = points.map((p) => p[axis]!);
    return [Math.min(...values), Math.max(...values)];
  });
}

const areApart = (a: Reach, b: Reach): boolean => a.some(([from, to], axis) => from > b[axis]![1] || b[axis]![0] > to);

/** Parts that pass through each other or through a page on the way; each pair once, where it is worst. */
export function jamsOf({ parts }: PutTogether, spread: Spread, motion: readonly Moment[]): readonly Jam[] {
  const bodies: readonly Body[] = [
    ...PAGES.map((key) => ({ key, partId: null, outline: spread.outlines[key] })),
    ...parts.flatMap(({ id, blank, tabs }) =>
      blank.panels
        .filter((panel) => !tabs.includes(panel.id))
        .map(({ id: panelId, outline }) => ({ key: bodyKey({ partId: id, panelId }), partId: id, outline })),
    ),
  ];
  const meets = new Set(
    parts.flatMap(({ id, blank, joints }) => [
      ...blank.creases.map(({ joins }) => joins.map((panelId) => bodyKey({ partId: id, panelId })).join('|')),
      // A panel that is glued on lies in the plane of what carries it.
      ...joints.map(({ panelId, on }) => `${bodyKey({ partId: id, panelId })}|${bodyKey(on)}`),
    ]),
  );
  const pairs = bodies.flatMap((a, i) =>
    bodies
      .slice(i + 1)
      .filter(
        (b) => (a.partId ?? b.partId) !== null && !meets.has(`${a.key}|${b.key}`) && !meets.has(`${b.key}|${a.key}`),
      )
      .map((b) => [a, b] as const),
  );
  const worst = new Map<string, Jam>();
  for (const [i, { openDeg, state }] of motion.entries()) {
    if (i % EVERY > 0 || openDeg < FROM_DEG) continue;
    const poses = placeParts(parts, state, openDeg);
    const boxes = new Map(bodies.map(({ key, outline }) => [key, boxIn(outline, poses.get(key)!)]));
    for (const [a, b] of pairs) {
      // Most are nowhere near each other.
      if (areApart(boxes.get(a.key)!, boxes.get(b.key)!)) continue;
      const depthMm = depthOf(a, poses.get(a.key)!, b, poses.get(b.key)!, []);
      const key = `${a.key} ${b.key}`;
      if (depthMm > GIVE_MM && depthMm > (worst.get(key)?.depthMm ?? 0))
        worst.set(key, { partIds: [a.partId, b.partId], openDeg, depthMm });
    }
  }
  return [...worst.values()];
}
