import { cutLine } from '../../ground/fold/blankCuts.ts';
import { apply } from '../../ground/geometry/affine.ts';
import { boxPath, polygon, polyline, type Path } from '../../ground/geometry/path.ts';
import { TOLERANCE_MM, type Point } from '../../ground/geometry/types.ts';
import type { Gsm, Mm } from '../../ground/length/types.ts';
import type { MachineFacts, MachineLine } from '../../workshop/types.ts';
import type { Scene, Shape } from '../../ground/scene/types.ts';
import { knifePaths, type KnifePath } from './knifePaths.ts';
import { drawMark } from '../sheet/layout/machineMarks.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';

/** What a cutting machine does to one sheet. */
export interface MachinePlan {
  readonly marks: readonly Point[];
  readonly passes: number;
  /** To set on the machine; null where it sets its own. */
  readonly force: number | null;
  /** Way of the knife on one sheet; an edge that two cards share is cut once. */
  readonly cutMm: Mm;
  /** Knife down and knife up together, one sheet. */
  readonly secondsPerSheet: number;
}

/** A knife in the air goes this much faster than one in card. */
export const AIR_SPEED = 3;
/** Loading the sheet and looking for three marks. */
export const LOOKING_S = 12;

/** The line of a machine’s table for a weight: the first that is not exceeded, or the heaviest. */
export function lineFor({ passes }: MachineFacts, gsm: Gsm): MachineLine {
  const lines = [...passes].sort((a, b) => a.upToGsm - b.upToGsm);
  return lines.find((line) => gsm <= line.upToGsm) ?? lines.at(-1)!;
}

export const passesFor = (machine: MachineFacts, gsm: Gsm): number => lineFor(machine, gsm).passes;

const lengthOf = (points: KnifePath): Mm =>
  points.slice(1).reduce((sum, q, i) => sum + Math.hypot(q.xMm - points[i]!.xMm, q.yMm - points[i]!.yMm), 0);

/** Within and then round every blank where it lies on the sheet: what is cut out no longer lies still. */
const cutsOn = ({ form: { blank } }: SizePlan, { placements }: SheetPlan): readonly KnifePath[] => [
  ...placements.flatMap(({ toSheet }) => blank.cuts.map((cut) => cutLine(cut).map((p) => apply(toSheet, p)))),
  ...knifePaths(placements.map(({ toSheet }) => blank.outline.map((p) => apply(toSheet, p)))),
];

/** Time follows from the file: paths in its order, the knife in the air between them. */
export function machineSeconds(paths: readonly KnifePath[], passes: number, { speedMmPerS }: MachineFacts): number {
  let [air, at]: [Mm, Point] = [0, { xMm: 0, yMm: 0 }];
  for (const path of paths) {
    const start = path[0]!;
    air += Math.hypot(start.xMm - at.xMm, start.yMm - at.yMm);
    at = path.at(-1)!;
  }
  const down = paths.reduce((sum, path) => sum + lengthOf(path), 0) * passes;
  return LOOKING_S + down / speedMmPerS + air / (speedMmPerS * AIR_SPEED);
}

const isClosed = (points: KnifePath): boolean =>
  points.length > 3 &&
  Math.hypot(points[0]!.xMm - points.at(-1)!.xMm, points[0]!.yMm - points.at(-1)!.yMm) < TOLERANCE_MM;

export function planMachine(size: SizePlan, sheet: SheetPlan, facts: MachineFacts, gsm: Gsm): MachinePlan {
  const paths = cutsOn(size, sheet);
  const { passes, force = null } = lineFor(facts, gsm);
  return {
    marks: sheet.machineMarks,
    passes,
    force,
    cutMm: paths.reduce((sum, path) => sum + lengthOf(path), 0),
    secondsPerSheet: machineSeconds(paths, passes, facts),
  };
}

/**
 * The file a cutting machine reads, in true size: the marks it looks for, the outlines it cuts, and the creases,
 * each on a layer of its own. Nothing else is in it, so nothing else can be cut.
 */
export function drawMachineFile(size: SizePlan, sheet: SheetPlan): Scene {
  const page = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const cut = (path: Path): Shape => ({ kind: 'path', role: 'cut', path });
  return {
    box: page,
    symbols: {},
    shapes: [
      { kind: 'path', role: 'sheet', path: boxPath(page) },
      ...sheet.machineMarks.map(drawMark),
      ...cutsOn(size, sheet).map((points) => cut(isClosed(points) ? polygon(points.slice(0, -1)) : polyline(points))),
      ...sheet.placements.flatMap(({ toSheet }) =>
        size.form.blank.creases.map((crease): Shape => ({
          kind: 'path',
          role: crease.direction === 'mountain' ? 'creaseAway' : 'creaseToward',
          path: polyline([apply(toSheet, crease.from), apply(toSheet, crease.to)]),
        })),
      ),
    ],
  };
}
