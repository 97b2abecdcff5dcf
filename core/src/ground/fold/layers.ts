import { boxAround } from '../geometry/box.ts';
import type { Box } from '../geometry/types.ts';
import { across, foldBlank, inSpace } from './foldBlank.ts';
import { move, turn, type Pose } from './space.ts';
import { creaseOf } from './stages.ts';
import type { Crease, FoldedForm } from './types.ts';

/** Panels that turn over together about one line. */
interface SimpleFold {
  readonly step: number;
  readonly creases: readonly Crease[];
  readonly moving: ReadonlySet<string>;
}

/** What goes wrong when a fold is made in the given order. */
export type FoldFault =
  | {
      readonly kind: 'trapped';
      readonly step: number;
      /** The panel that should move and the one that lies over it. */
      readonly panelId: string;
      readonly underPanelId: string;
    }
  | {
      /** The panel reaches over the line that is folded, or so near it that the bend has no room. */
      readonly kind: 'tooLong';
      readonly step: number;
      readonly panelId: string;
      readonly creaseId: string;
      readonly byMm: number;
    };

export interface Layering {
  /** Level of every panel after each number of steps, 0 for the resting panel; plain data, so that a plan can travel. */
  readonly levels: readonly Readonly<Record<string, number>>[];
  readonly faults: readonly FoldFault[];
}

/** Sheets of paper touching at a line still leave this much; less is rounding. */
const SLIGHT_MM = 0.01;
const isFlat = (crease: Crease): boolean => Math.abs(crease.shutDeg - 180) < 1e-9;

/**
 * Stacks the panels step by step, as hands do: what moves is turned over as a whole and laid on what it
 * meets. Only folds that lie flat stack; a crease that stops short of 180° leaves the levels alone.
 *
 * Room in a bend: a fold round a pile of thickness D is a half circle of inner radius D/2. The middle of
 * its own sheet, thickness t, runs on radius (D + t)/2, so half of the bend’s length, π(D + t)/4, lies on
 * either side of the crease; the pile must stop short of that.
 */
export function layersOf(form: FoldedForm, caliperMm: number): Layering {
  const { blank, restingPanelId } = form;
  let levels = new Map(blank.panels.map((panel) => [panel.id, 0]));
  const state: Record<string, number> = {};
  const perStep = [Object.fromEntries(levels)];
  const faults: FoldFault[] = [];
  const folds = simpleFolds(form);
  for (let step = 0; step < form.steps.length; step += 1) {
    for (const fold of folds.filter((f) => f.step === step)) {
      const poses = foldBlank(blank, state, restingPanelId);
      if (fold.creases.every(isFlat)) {
        // Creases that turn at once, one carrying another, are no simple folds: there the solid check answers.
        if (!isCarried(fold, folds)) faults.push(...faultsOf(form, fold, poses, levels, caliperMm));
        for (const crease of fold.creases) state[crease.id] = 180;
        levels = laidOver(form, fold, poses, foldBlank(blank, state, restingPanelId), levels);
      } else for (const crease of fold.creases) state[crease.id] = crease.shutDeg;
    }
    perStep.push(Object.fromEntries(levels));
  }
  return { levels: perStep, faults };
}

/** True when this fold turns with, or carries, another of the same step. */
const isCarried = (fold: SimpleFold, folds: readonly SimpleFold[]): boolean =>
  folds.some(
    (other) => other !== fold && other.step === fold.step && [...other.moving].some((id) => fold.moving.has(id)),
  );

/** The outermost parts of a step first, so that a step of several creases is a row of simple folds. */
function simpleFolds(form: FoldedForm): readonly SimpleFold[] {
  const folds: SimpleFold[] = [];
  form.steps.forEach(({ creaseIds }, step) => {
    const own = creaseIds.map((id) => creaseOf(form, id));
    const visit = (from: ReadonlySet<string>, entered: readonly Crease[]): ReadonlySet<string> => {
      const moving = new Set(from);
      const leaving = own.filter((c) => !entered.includes(c) && c.joins.some((id) => from.has(id)));
      const done = new Set<string>();
      for (const crease of leaving) {
        const next = crease.joins.find((id) => !from.has(id));
        if (next === undefined || done.has(next)) continue;
        const part = connected(form, next, own);
        const between = leaving.filter((c) => c.joins.some((id) => part.has(id)) && c.joins.some((id) => from.has(id)));
        for (const id of part) done.add(id);
        const all = visit(part, between);
        for (const id of all) moving.add(id);
        folds.push({ step, creases: between, moving: all });
      }
      return moving;
    };
    visit(connected(form, form.restingPanelId, own), []);
  });
  return folds;
}

/** Panels joined to one of them by creases other than those about to be folded. */
function connected(form: FoldedForm, start: string, without: readonly Crease[]): ReadonlySet<string> {
  const found = new Set([start]);
  const waiting = [start];
  for (let from = waiting.pop(); from !== undefined; from = waiting.pop())
    for (const crease of form.blank.creases) {
      const next = without.includes(crease) ? null : across(crease, from);
      if (next !== null && !found.has(next)) {
        found.add(next);
        waiting.push(next);
      }
    }
  return found;
}

/** Where a panel lies when all is flat: its box in the plane of the resting panel. */
function lies(form: FoldedForm, poses: ReadonlyMap<string, Pose>, id: string): Box {
  const panel = form.blank.panels.find((p) => p.id === id)!;
  return boxAround(
    panel.outline.map((p) => {
      const [x, y] = move(poses.get(id)!, inSpace(p));
      return { xMm: x, yMm: y };
    }),
  );
}

const meets = (a: Box, b: Box): boolean =>
  a.xMm + a.widthMm > b.xMm + SLIGHT_MM &&
  b.xMm + b.widthMm > a.xMm + SLIGHT_MM &&
  a.yMm + a.heightMm > b.yMm + SLIGHT_MM &&
  b.yMm + b.heightMm > a.yMm + SLIGHT_MM;

/** +1 when the moving part swings up over the rest, −1 when it swings under it. */
function swing(fold: SimpleFold, poses: ReadonlyMap<string, Pose>): 1 | -1 {
  const crease = fold.creases[0]!;
  const still = crease.joins.find((id) => !fold.moving.has(id))!;
  const outsideUp = turn(poses.get(still)!, [0, 0, 1])[2] > 0;
  return (crease.direction === 'valley') === outsideUp ? 1 : -1;
}

function laidOver(
  form: FoldedForm,
  fold: SimpleFold,
  before: ReadonlyMap<string, Pose>,
  after: ReadonlyMap<string, Pose>,
  levels: ReadonlyMap<string, number>,
): Map<string, number> {
  const up = swing(fold, before);
  const boxes = new Map(form.blank.panels.map((p) => [p.id, lies(form, after, p.id)]));
  const still = form.blank.panels.filter((p) => !fold.moving.has(p.id));
  // Turned over, a level l becomes d − l; d is the least (or most) that clears everything it lies on.
  const clears = [...fold.moving].flatMap((m) =>
    still.filter((s) => meets(boxes.get(m)!, boxes.get(s.id)!)).map((s) => levels.get(s.id)! + up + levels.get(m)!),
  );
  if (clears.length === 0) return new Map(levels);
  const d = up > 0 ? Math.max(...clears) : Math.min(...clears);
  return new Map([...levels].map(([id, level]) => [id, fold.moving.has(id) ? d - level : level]));
}

function faultsOf(
  form: FoldedForm,
  fold: SimpleFold,
  poses: ReadonlyMap<string, Pose>,
  levels: ReadonlyMap<string, number>,
  caliperMm: number,
): readonly FoldFault[] {
  const up = swing(fold, poses);
  const boxes = new Map(form.blank.panels.map((p) => [p.id, lies(form, poses, p.id)]));
  const faults: FoldFault[] = [];
  for (const m of fold.moving)
    for (const { id: s } of form.blank.panels) {
      if (fold.moving.has(s) || !meets(boxes.get(m)!, boxes.get(s)!)) continue;
      if ((levels.get(s)! - levels.get(m)!) * up > 0)
        faults.push({ kind: 'trapped', step: fold.step, panelId: m, underPanelId: s });
    }
  return [...faults, ...tooLong(form, fold, poses, boxes, levels, up, caliperMm)];
}

/** Panels inside the bend that reach over its line, or closer to it than the bend’s own curve allows. */
function tooLong(
  form: FoldedForm,
  fold: SimpleFold,
  poses: ReadonlyMap<string, Pose>,
  boxes: ReadonlyMap<string, Box>,
  levels: ReadonlyMap<string, number>,
  up: 1 | -1,
  caliperMm: number,
): readonly FoldFault[] {
  const crease = fold.creases[0]!;
  const [hinged, standing] = [true, false].map((moves) =>
    crease.joins.find((id) => fold.moving.has(id) === moves)!,
  ) as [string, string];
  const [a, b] = [crease.from, crease.to].map((p) => move(poses.get(standing)!, inSpace(p)));
  const upright = Math.abs(a![0] - b![0]) < SLIGHT_MM;
  const line = upright ? a![0] : a![1];
  const spanOf = (box: Box): readonly [number, number] =>
    upright ? [box.xMm, box.xMm + box.widthMm] : [box.yMm, box.yMm + box.heightMm];
  const middleOf = (id: string): number => {
    const [from, to] = spanOf(boxes.get(id)!);
    return (from + to) / 2;
  };
  const enclosed = form.blank.panels.filter(({ id }) => {
    const hinge = fold.moving.has(id) ? hinged : standing;
    return id !== hinge && (levels.get(id)! - levels.get(hinge)!) * up > 0 && meets(boxes.get(id)!, boxes.get(hinge)!);
  });
  const deep = (moves: boolean): number => {
    const hinge = moves ? hinged : standing;
    const above = enclosed.filter(({ id }) => fold.moving.has(id) === moves);
    return Math.max(0, ...above.map(({ id }) => Math.abs(levels.get(id)! - levels.get(hinge)!)));
  };
  const pileMm = (deep(true) + deep(false)) * caliperMm;
  const roomMm = (Math.PI / 4) * (pileMm + caliperMm);
  return enclosed.flatMap(({ id }): readonly FoldFault[] => {
    // A panel that this very step creases turns with its crease and needs no room.
    if (fold.creases.some((c) => c.joins.includes(id))) return [];
    const side = Math.sign(middleOf(fold.moving.has(id) ? hinged : standing) - line);
    const [from, to] = spanOf(boxes.get(id)!);
    const clearMm = side > 0 ? from - line : line - to;
    const byMm = roomMm - clearMm;
    return byMm > SLIGHT_MM ? [{ kind: 'tooLong', step: fold.step, panelId: id, creaseId: crease.id, byMm }] : [];
  });
}
