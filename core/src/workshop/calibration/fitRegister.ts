import {
  apply,
  compose,
  invert,
  translation,
  turnMap,
  type Affine,
  type TurnOver,
} from '../../ground/geometry/affine.ts';
import type { Point, Sides } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { calibrationMarks, middleOf, type CalibrationMarks, type SheetSize } from './marks.ts';
import {
  CROSSES,
  type Calibration,
  type Corrections,
  type EdgeReadings,
  type Readings,
  type Register,
} from './types.ts';

/** Rounds of Gauss–Newton; the turn is a fraction of a degree, so the second hardly moves and the third is for pride. */
const ROUNDS = 3;

/**
 * What a printer does, from what was measured. The front is scaled, turned and shifted about the middle of the
 * sheet; the back is a likeness of the front (one scale, a turn and a shift), fitted to the four crosses.
 * Both are least squares. Source: the similarity transformation of geodesy after Helmert, closed form as in
 * Umeyama, Least-squares estimation of transformation parameters between two point patterns, 1991
 */
export function fitRegister(sheet: SheetSize, marginsMm: Sides, readings: Readings): Register {
  const marks = calibrationMarks(sheet, marginsMm);
  const scaleAcross = readings.ruleAcrossMm / marks.ruleAcross.lengthMm;
  const scaleDown = readings.ruleDownMm / marks.ruleDown.lengthMm;
  const centre = middleOf(sheet);
  const placed = readings.edges ? fitFront(marks, centre, scaleAcross, scaleDown, readings.edges) : null;
  const front = aboutCentre(
    centre,
    scaleAcross,
    scaleDown,
    placed?.turn ?? 0,
    placed?.rightMm ?? 0,
    placed?.lowMm ?? 0,
  );
  const meant = CROSSES.map((cross) => apply(front, marks.crosses[cross]));
  const found = CROSSES.map((cross, i) => ({
    xMm: meant[i]!.xMm + readings.crosses[cross].rightMm,
    yMm: meant[i]!.yMm + readings.crosses[cross].lowMm,
  }));
  const likeness = fitLikeness(meant, found);
  const middle = apply(front, centre);
  const behind = apply(likeness.map, middle);
  return {
    front,
    back: compose(likeness.map, front),
    scaleAcross,
    scaleDown,
    frontMiss: placed && { rightMm: placed.rightMm, lowMm: placed.lowMm },
    frontTurnDeg: degrees(placed?.turn ?? 0),
    backMiss: { rightMm: behind.xMm - middle.xMm, lowMm: behind.yMm - middle.yMm },
    backTurnDeg: degrees(likeness.turn),
    backScale: likeness.scale,
    unexplainedMm: Math.max(
      ...meant.map((p, i) => {
        const guess = apply(likeness.map, p);
        return Math.hypot(guess.xMm - found[i]!.xMm, guess.yMm - found[i]!.yMm);
      }),
    ),
  };
}

const degrees = (radians: number): number => (radians * 180) / Math.PI;

/** Scaled along the page’s own axes, then turned, then shifted, all about the middle of the sheet. */
export function aboutCentre(
  { xMm, yMm }: Point,
  scaleAcross: number,
  scaleDown: number,
  turn: number,
  rightMm: Mm,
  lowMm: Mm,
): Affine {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [a, b, cc, d] = [c * scaleAcross, s * scaleAcross, -s * scaleDown, c * scaleDown];
  return [a, b, cc, d, xMm + rightMm - a * xMm - cc * yMm, yMm + lowMm - b * xMm - d * yMm];
}

/**
 * Turn and shift of the front from four distances to the sheet’s edges. The crosses stand evenly about the
 * middle, so the normal equations fall apart: each shift is a mean of two residues, the turn one quotient.
 */
function fitFront(
  { crosses }: CalibrationMarks,
  centre: Point,
  scaleAcross: number,
  scaleDown: number,
  edges: EdgeReadings,
): { readonly turn: number; readonly rightMm: Mm; readonly lowMm: Mm } {
  let [turn, rightMm, lowMm] = [0, 0, 0];
  const half = {
    x: (crosses.topRight.xMm - centre.xMm) * scaleAcross,
    y: (centre.yMm - crosses.topLeft.yMm) * scaleDown,
  };
  for (let round = 0; round < ROUNDS; round += 1) {
    const map = aboutCentre(centre, scaleAcross, scaleDown, turn, rightMm, lowMm);
    const at = (cross: keyof typeof crosses): Point => apply(map, crosses[cross]);
    const x = [edges.leftToTopLeftMm - at('topLeft').xMm, edges.leftToBottomLeftMm - at('bottomLeft').xMm] as const;
    const y = [edges.topToTopLeftMm - at('topLeft').yMm, edges.topToTopRightMm - at('topRight').yMm] as const;
    // A turn moves the upper cross right and the lower one left, the right one down and the left one up.
    turn += (half.y * (x[0] - x[1]) + half.x * (y[1] - y[0])) / (2 * (half.x ** 2 + half.y ** 2));
    rightMm += (x[0] + x[1]) / 2;
    lowMm += (y[0] + y[1]) / 2;
  }
  return { turn, rightMm, lowMm };
}

/** The likeness that carries one set of points nearest to another. */
function fitLikeness(
  from: readonly Point[],
  to: readonly Point[],
): { readonly map: Affine; readonly turn: number; readonly scale: number } {
  const mean = (points: readonly Point[]): Point => ({
    xMm: points.reduce((sum, p) => sum + p.xMm, 0) / points.length,
    yMm: points.reduce((sum, p) => sum + p.yMm, 0) / points.length,
  });
  const [a, b] = [mean(from), mean(to)];
  let [along, across, size] = [0, 0, 0];
  from.forEach((p, i) => {
    const [x, y] = [p.xMm - a.xMm, p.yMm - a.yMm];
    const [u, v] = [to[i]!.xMm - b.xMm, to[i]!.yMm - b.yMm];
    along += x * u + y * v;
    across += x * v - y * u;
    size += x * x + y * y;
  });
  const [c, s] = [along / size, across / size];
  return {
    map: [c, s, -s, c, b.xMm - c * a.xMm + s * a.yMm, b.yMm - s * a.xMm - c * a.yMm],
    turn: Math.atan2(s, c),
    scale: Math.hypot(c, s),
  };
}

/** What a register was measured on: the sheet, and how it was turned over between its sides. */
export interface Measured {
  readonly sheet: SheetSize;
  readonly turn: TurnOver;
}

/**
 * Pages drawn through these maps land where they should: what the printer does is undone beforehand. A printer knows
 * pages and no sides, so what it did to the back is told in the back’s own page, by the turn that was measured, and
 * holds however another sheet is turned over. Sheets of other sizes are turned and scaled about their own middle.
 */
export function correctionsFor(sheet: SheetSize, measured: Measured, { front, back }: Register): Corrections {
  const [own, theirs] = [middleOf(sheet), middleOf(measured.sheet)];
  const away = translation(own.xMm - theirs.xMm, own.yMm - theirs.yMm);
  const here = (map: Affine): Affine => compose(away, compose(map, invert(away)));
  const over = turnMap(sheet, measured.turn);
  return { front: invert(here(front)), back: compose(over, compose(invert(here(back)), over)) };
}

export const registerOf = ({ sheetWidthMm, sheetHeightMm, marginsMm, readings }: Calibration): Register =>
  fitRegister({ widthMm: sheetWidthMm, heightMm: sheetHeightMm }, marginsMm, readings);
