import { inSpace } from '../../../ground/fold/foldBlank.ts';
import {
  cross,
  directionOf,
  dot,
  minus,
  move,
  plus,
  scaled,
  turn,
  type Pose,
  type Vec3,
} from '../../../ground/fold/space.ts';
import { standOnTable } from '../../../ground/fold/stand.ts';
import type { Blank, Crease, Panel } from '../../../ground/fold/types.ts';
import { apply } from '../../../ground/geometry/affine.ts';
import { areaOf, centroidOf } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { gramsOf } from '../../../workshop/gramsOf.ts';
import { bendingLengthMm, GRAVITY } from '../../../workshop/measuring/measuredStock.ts';
import type { Fibres } from '../../../workshop/measuring/types.ts';
import type { Stock } from '../../../workshop/types.ts';
import type { FoldedPiece } from '../../size/planSize.ts';
import { plateStands } from './plateStands.ts';
import type { StandingCard, StandingPanel } from './types.ts';

/** Folded by less, two panels are as one; by more than the other, they lie on each other and neither holds the other. */
const HOLDS_DEG = { from: 12, to: 170 } as const;
/** A panel that rises by less than this share of its own length lies rather than stands. */
const RISES = 0.5;
/** A level fold no higher than this share of a panel is its foot, and holds it no more than the table does. */
const FOOT = 0.05;
/** What is no higher than this over the table rests on it. */
const RESTS_MM = 0.5;

/** What is asked of a card: how it is folded, what hangs on it, and its stock. */
export type Stood = Pick<FoldedPiece, 'form' | 'folding' | 'faces' | 'layers' | 'trimmings'>;

/** Something on a panel: grams, and where on the blank. */
interface Hung {
  readonly panelId: string;
  readonly grams: number;
  readonly at: Point;
}

/**
 * A card as it really stands: each panel a plate held by the table and the folds it has, with what is fixed on it; and how
 * far the whole of it can be tilted.
 * @param fibresUp whether the stock’s fibres run up and down in its blank as it is drawn
 * @returns null for a format that only lies
 */
export function standingCard(card: Stood, stock: Stock, fibresUp: boolean): StandingCard | null {
  const { form, folding } = card;
  const poses = standOnTable(form, folding);
  if (!poses || form.blank.creases.length === 0) return null;
  const hung = whatHangs(card);
  const floor = Math.min(
    ...form.blank.panels.flatMap(({ id, outline }) => outline.map((p) => onTable(poses, id, p)[1])),
  );
  const panels = form.blank.panels.flatMap((panel): readonly StandingPanel[] => {
    const found = asPlate(panel, form.blank, poses, { stock, hung, fibresUp, floor, bends: form.standing! });
    if (!found) return [];
    const stands = plateStands(found.plate);
    return stands ? [{ panelId: panel.id, name: panel.name, ...found, ...stands }] : [];
  });
  const [weakest = null] = [...panels].sort((a, b) => a.margin - b.margin);
  const [bowed = null] = [...panels].sort((a, b) => b.bowMm - a.bowMm);
  return {
    ...{ panels, weakest, bowed },
    // A plate twice as large every way is pressed eight times as hard for its stiffness.
    score: weakest && Math.cbrt(weakest.margin),
    falls: fallsAt(form.blank, poses, stock, hung, floor),
  };
}

const onTable = (poses: ReadonlyMap<string, Pose>, panelId: string, p: Point): Vec3 =>
  move(poses.get(panelId)!, inSpace(p));

/** Layers that are glued to faces, and trimmings. */
function whatHangs({ faces, layers, trimmings }: Stood): readonly Hung[] {
  const faceOf = (faceId: string | null) => faces.find(({ id }) => id === faceId);
  return [
    ...layers.flatMap(({ faceId, blank, leftMm, topMm, stock }): readonly Hung[] => {
      const face = faceOf(faceId);
      if (!face) return [];
      const { xMm, yMm } = centroidOf(blank.outline);
      const at = apply(face.toBlank, { xMm: leftMm + xMm, yMm: topMm + yMm });
      return [{ panelId: face.panelId, grams: gramsOf(areaOf(blank.outline), stock), at }];
    }),
    ...trimmings.placed.map(({ faceId, outline, trimming }): Hung => {
      const face = faceOf(faceId)!;
      return { panelId: face.panelId, grams: trimming.grams, at: apply(face.toBlank, centroidOf(outline)) };
    }),
  ];
}

interface Around {
  readonly stock: Stock;
  readonly hung: readonly Hung[];
  readonly fibresUp: boolean;
  readonly floor: Mm;
  readonly bends: Readonly<Record<string, Deg>>;
}

/** A panel laid out by the way it rises. Blank directions have x right and y down, as everywhere. */
function asPlate(
  panel: Panel,
  blank: Blank,
  poses: ReadonlyMap<string, Pose>,
  { stock, hung, fibresUp, floor, bends }: Around,
): Pick<StandingPanel, 'corner' | 'across' | 'up' | 'plate'> | null {
  const pose = poses.get(panel.id)!;
  // What a step to the right, or down, on the blank adds to its height over the table.
  const [right, down] = [turn(pose, [1, 0, 0])[1], turn(pose, [0, -1, 0])[1]];
  const rises = Math.hypot(right, down);
  if (rises < RISES) return null;
  const up: Point = { xMm: right / rises, yMm: down / rises };
  const across: Point = { xMm: -up.yMm, yMm: up.xMm };
  const places = panel.outline.map((p) => ({ x: along(p, across), y: along(p, up) }));
  const left = Math.min(...places.map(({ x }) => x));
  const foot = Math.min(...places.map(({ y }) => y));
  const widthMm = Math.max(...places.map(({ x }) => x)) - left;
  const heightMm = Math.max(...places.map(({ y }) => y)) - foot;
  const folds = blank.creases
    .filter(({ joins }) => joins.includes(panel.id))
    .filter(({ id }) => {
      const bend = Math.abs(bends[id] ?? 0);
      return bend > HOLDS_DEG.from && bend < HOLDS_DEG.to;
    })
    .map((crease) => placeOf(crease, across, up, { left, foot }));
  const level = folds.filter((fold) => fold.isLevel && fold.yMm > heightMm * FOOT);
  const upright = folds.filter((fold) => !fold.isLevel);
  const lowest = Math.min(...panel.outline.map((p) => onTable(poses, panel.id, p)[1]));
  const fibres = (direction: Point): Fibres =>
    fibresUp === Math.abs(direction.yMm) > Math.abs(direction.xMm) ? 'along' : 'across';
  const weightNm2 = (stock.gsm / 1000) * GRAVITY;
  const rigidity = (direction: Point): number => weightNm2 * (bendingLengthMm(stock, fibres(direction)).mm / 1000) ** 3;
  const outsideUp = turn(pose, [0, 0, 1])[1];
  return {
    ...{ across, up },
    corner: { xMm: across.xMm * left + up.xMm * foot, yMm: across.yMm * left + up.yMm * foot },
    plate: {
      ...{ widthMm, heightMm },
      leanDeg: leanOf(rises, outsideUp),
      held: {
        foot: lowest < floor + RESTS_MM,
        left: upright.some(({ xMm }) => xMm < widthMm / 2),
        right: upright.some(({ xMm }) => xMm >= widthMm / 2),
        atMm: level.length === 0 ? null : Math.max(...level.map(({ yMm }) => yMm)),
      },
      ...{ rigidityUpNm: rigidity(up), rigidityAcrossNm: rigidity(across), weightNm2 },
      carries: hung
        .filter(({ panelId }) => panelId === panel.id)
        .map(({ grams, at }) => ({ newtons: (grams / 1000) * GRAVITY, atMm: along(at, up) - foot })),
    },
  };
}

const along = (p: Point, way: Point): Mm => p.xMm * way.xMm + p.yMm * way.yMm;

/** Upright where it rises by all its length; weight pushes it towards the side that faces down, below nought inwards. */
function leanOf(rises: number, outsideUp: number): Deg {
  const deg = (Math.acos(Math.min(1, rises)) * 180) / Math.PI;
  if (deg < 0.01) return 0;
  return outsideUp > 0 ? -deg : deg;
}

function placeOf(
  { from, to }: Crease,
  across: Point,
  up: Point,
  { left, foot }: { readonly left: Mm; readonly foot: Mm },
): { readonly isLevel: boolean; readonly xMm: Mm; readonly yMm: Mm } {
  const by: Point = { xMm: to.xMm - from.xMm, yMm: to.yMm - from.yMm };
  const middle: Point = { xMm: (from.xMm + to.xMm) / 2, yMm: (from.yMm + to.yMm) / 2 };
  return {
    isLevel: Math.abs(along(by, across)) > Math.abs(along(by, up)),
    ...{ xMm: along(middle, across) - left, yMm: along(middle, up) - foot },
  };
}

/**
 * How far a stiff card leans before its middle of weight is over the edge it leans on, the least of all ways. Derivation:
 * with its middle so high over the table and so far within that edge, the tangent is the one over the other.
 */
function fallsAt(
  { panels }: Blank,
  poses: ReadonlyMap<string, Pose>,
  stock: Stock,
  hung: readonly Hung[],
  floor: Mm,
): StandingCard['falls'] {
  const weights = [
    ...panels.map(({ id, outline }) => ({
      grams: gramsOf(areaOf(outline), stock),
      at: onTable(poses, id, centroidOf(outline)),
    })),
    ...hung.map(({ panelId, grams, at }) => ({ grams, at: onTable(poses, panelId, at) })),
  ];
  const whole = weights.reduce((sum, { grams }) => sum + grams, 0);
  const middle = weights.reduce<Vec3>((sum, { grams, at }) => plus(sum, scaled(at, grams / whole)), [0, 0, 0]);
  const feet = panels
    .flatMap(({ id, outline }) => outline.map((p) => onTable(poses, id, p)))
    .filter(([, y]) => y < floor + RESTS_MM);
  const round = hullOf(feet);
  const edges = round.flatMap((a, i) => {
    const by = minus(round[(i + 1) % round.length]!, a);
    const towards = directionOf(cross([0, 1, 0], by));
    return towards ? [{ towards, withinMm: dot(towards, minus(a, middle)) }] : [];
  });
  const [least] = edges.sort((a, b) => a.withinMm - b.withinMm);
  if (!least || round.length < 3) return { deg: 0, towards: [0, 0, 1] };
  const deg = (Math.atan2(least.withinMm, middle[1] - floor) * 180) / Math.PI;
  return { deg, towards: least.towards };
}

/** Round the feet, seen from above, so that `cross(up, edge)` points outwards. Source: Andrew’s monotone chain, 1979. */
function hullOf(points: readonly Vec3[]): readonly Vec3[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[2] - b[2]);
  const half = (list: readonly Vec3[]): Vec3[] => {
    const hull: Vec3[] = [];
    for (const p of list) {
      while (hull.length >= 2) {
        const [a, b] = [hull.at(-2)!, hull.at(-1)!];
        if ((b[0] - a[0]) * (p[2] - a[2]) - (b[2] - a[2]) * (p[0] - a[0]) > 1e-9) break;
        hull.pop();
      }
      hull.push(p);
    }
    return hull.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}
