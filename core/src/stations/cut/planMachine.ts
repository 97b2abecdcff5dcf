import { cutLine } from '../../ground/fold/blankCuts.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import type { FlatBlank } from '../../ground/fold/types.ts';
import { apply, type Affine } from '../../ground/geometry/affine.ts';
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

/** Copies of one blank on the sheet that is loaded, front up. */
export interface OnMachine {
  readonly blank: Pick<FlatBlank, 'outline' | 'cuts'>;
  readonly creases: readonly {
    readonly from: Point;
    readonly to: Point;
    readonly role: 'creaseAway' | 'creaseToward';
  }[];
  /** From the blank to each of its places. */
  readonly places: readonly Affine[];
  readonly marks: readonly Point[];
  readonly sheet: { readonly widthMm: Mm; readonly heightMm: Mm };
}

/** A job’s cards on their sheet. */
export const cardsOnMachine = ({ form: { blank } }: SizePlan, sheet: SheetPlan): OnMachine => ({
  blank,
  creases: pressedLines(blank).map(({ from, to, direction }) => ({
    ...{ from, to },
    role: direction === 'mountain' ? 'creaseAway' : 'creaseToward',
  })),
  places: sheet.placements.map(({ toSheet }) => toSheet),
  marks: sheet.machineMarks,
  sheet: { widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm },
});

/** Within and then round every blank where it lies on the sheet: what is cut out no longer lies still. */
const cutsOn = ({ blank, places }: OnMachine): readonly KnifePath[] => [
  ...places.flatMap((toSheet) => blank.cuts.map((cut) => cutLine(cut).map((p) => apply(toSheet, p)))),
  ...knifePaths(places.map((toSheet) => blank.outline.map((p) => apply(toSheet, p)))),
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

/** What a machine does to one sheet of these, by the line of its table for their weight. */
export function planMachine(of: OnMachine, facts: MachineFacts, gsm: Gsm): MachinePlan {
  const paths = cutsOn(of);
  const { passes, force = null } = lineFor(facts, gsm);
  return {
    marks: of.marks,
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
export function drawOnMachine(of: OnMachine): Scene {
  const page = { xMm: 0, yMm: 0, ...of.sheet };
  const cut = (path: Path): Shape => ({ kind: 'path', role: 'cut', path });
  return {
    box: page,
    symbols: {},
    shapes: [
      { kind: 'path', role: 'sheet', path: boxPath(page) },
      ...of.marks.map(drawMark),
      ...cutsOn(of).map((points) => cut(isClosed(points) ? polygon(points.slice(0, -1)) : polyline(points))),
      ...of.places.flatMap((toSheet) =>
        of.creases.map(({ from, to, role }): Shape => ({
          ...{ kind: 'path', role },
          path: polyline([apply(toSheet, from), apply(toSheet, to)]),
        })),
      ),
    ],
  };
}

/** The same file for a job’s cards. */
export const drawMachineFile = (size: SizePlan, sheet: SheetPlan): Scene => drawOnMachine(cardsOnMachine(size, sheet));
