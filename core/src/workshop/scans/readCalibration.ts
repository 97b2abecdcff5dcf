import { apply, invert, turnOf, type Affine, type TurnOver } from '../../ground/geometry/affine.ts';
import type { Point, Sides } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { ARM_MM, ARROW, calibrationMarks, eachCross, middleOf, type SheetSize } from '../calibration/marks.ts';
import { CROSSES, type Cross, type Readings } from '../calibration/types.ts';
import { CROSS_NAMES } from '../calibration/drawCalibration.ts';
import { crossing, fitLine } from './fitLine.ts';
import { findPaper, sample } from './findPaper.ts';
import { median } from './median.ts';
import type { Edge, FoundPaper, GreyImage, ScanFrame, ScanRead } from './types.ts';

export interface CalibrationAsked {
  readonly sheet: SheetSize;
  readonly marginsMm: Sides;
  readonly flipEdge: 'long' | 'short';
}

/** One side of the sheet as its scan shows it. */
export interface ScannedSide {
  /** The four crosses in millimetres of the scan, for the eye to agree. */
  readonly seen: Readonly<Record<Cross, Point>>;
  /** Lines of the paper’s own edges, in millimetres of the scan. */
  readonly edges: FoundPaper['edges'];
  /** The same crosses from the paper’s left and top edge, as this side is read. */
  readonly crosses: Readonly<Record<Cross, Point>>;
  /** Whether it bears the back’s ticks. */
  readonly isTicked: boolean;
  /** Whether its left and right edge, its top and its foot, are both seen. */
  readonly width: Mm | null;
  readonly height: Mm | null;
  readonly sees: Readonly<Record<'left' | 'right' | 'top' | 'bottom', boolean>>;
}

export interface CalibrationScan {
  readonly readings: Readings;
  readonly front: ScannedSide;
  readonly back: ScannedSide;
  /** What had to be taken on trust; empty where the same edges were seen on both sides. */
  readonly taken: readonly string[];
}

/** How far a cross may lie from where it should. */
const ASTRAY_MM = 5;
/** The arms of a cross are looked at in this part, away from its middle and its ticks’ ends. */
const [ARM_FROM_MM, ARM_TO_MM] = [4.6, ARM_MM - 0.5] as const;
const PEAK_MM = 0.6;
/** So much of each arm must be seen. */
const ARM_SHARE = 0.7;
/** Darker than the paper by less is no line. */
const LEAST_INK = 14;

/**
 * Scale, shift and turn from scans of the two sides of a printed calibration sheet: every cross is the meeting of two
 * lines fitted to its arms, and lies where it does from the paper’s own edges, which both sides share.
 */
export function readCalibration(
  scans: { readonly front: GreyImage; readonly back: GreyImage },
  frame: ScanFrame,
  asked: CalibrationAsked,
): ScanRead<CalibrationScan> {
  const sides = [readSide(scans.front, frame, asked, 'front'), readSide(scans.back, frame, asked, 'back')] as const;
  for (const side of sides) if (!side.ok) return side;
  let [front, back] = sides.map((side) => (side.ok ? side.value : null)) as [ScannedSide, ScannedSide];
  // Laid down the wrong way about: the ticks say which is the back.
  if (front.isTicked && !back.isTicked) {
    const again = [readSide(scans.back, frame, asked, 'front'), readSide(scans.front, frame, asked, 'back')] as const;
    if (again[0].ok && again[1].ok) [front, back] = [again[0].value, again[1].value];
  }
  if (front.isTicked || !back.isTicked)
    return {
      ok: false,
      why: 'Both scans show the same side: the back’s crosses have small ticks, the front’s are plain.',
    };
  return { ok: true, value: together(front, back, asked) };
}

function together(
  front: ScannedSide,
  back: ScannedSide,
  { sheet, marginsMm, flipEdge }: CalibrationAsked,
): CalibrationScan {
  const turn = turnOf(sheet, flipEdge);
  const taken: string[] = [];
  const across = front.width ?? back.width ?? null;
  const down = front.height ?? back.height ?? null;
  const size = (found: Mm | null, said: Mm, needed: boolean, what: string): Mm => {
    if (found === null && needed) taken.push(`The sheet was taken to be ${said} mm ${what}.`);
    return found ?? said;
  };
  // As the front is read: the left edge is the back’s right one where the sheet was turned sideways.
  const sideways = turn === 'leftRight';
  const needsWidth = sideways ? !(front.sees.left && back.sees.right) : front.sees.left !== back.sees.left;
  const needsHeight = sideways ? front.sees.top !== back.sees.top : !(front.sees.top && back.sees.bottom);
  const [w, h] = [size(across, sheet.widthMm, needsWidth, 'wide'), size(down, sheet.heightMm, needsHeight, 'high')];
  const backSeen = (p: Point): Point => (sideways ? { xMm: w - p.xMm, yMm: p.yMm } : { xMm: p.xMm, yMm: h - p.yMm });
  const marks = calibrationMarks(sheet, marginsMm);
  const at = (side: ScannedSide, cross: Cross): Point => side.crosses[cross];
  const f = eachCross((cross) => at(front, cross));
  const b = eachCross((cross) => backSeen(at(back, cross)));
  const gap = (p: Point, q: Point): Mm => Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
  const meantAcross = marks.crosses.topRight.xMm - marks.crosses.topLeft.xMm;
  const meantDown = marks.crosses.bottomLeft.yMm - marks.crosses.topLeft.yMm;
  const scaleAcross = (gap(f.topLeft, f.topRight) + gap(f.bottomLeft, f.bottomRight)) / (2 * meantAcross);
  const scaleDown = (gap(f.topLeft, f.bottomLeft) + gap(f.topRight, f.bottomRight)) / (2 * meantDown);
  const readings: Readings = {
    ruleAcrossMm: scaleAcross * marks.ruleAcross.lengthMm,
    ruleDownMm: scaleDown * marks.ruleDown.lengthMm,
    crosses: eachCross((cross) => ({
      rightMm: b[cross].xMm - f[cross].xMm,
      lowMm: b[cross].yMm - f[cross].yMm,
    })),
    edges: {
      leftToTopLeftMm: f.topLeft.xMm,
      leftToBottomLeftMm: f.bottomLeft.xMm,
      topToTopLeftMm: f.topLeft.yMm,
      topToTopRightMm: f.topRight.yMm,
    },
    // Which end went in first is read from each side’s own arrow, so the two always agree.
    arrows: 'same',
  };
  return { readings, front, back, taken };
}

/** From the scan to the paper: its left and top edge, or those that are seen. */
function paperFrame(edges: FoundPaper['edges'], sheet: SheetSize): Affine | null {
  const { left, right, top, bottom } = edges;
  const upright = left ?? right;
  const level = top ?? bottom;
  if (!upright || !level) return null;
  const corner = crossing(upright, level);
  // The longer edge tells the turn better; both are asked, each by how long it is.
  const turnOfLevel = Math.atan2(level.along.yMm, level.along.xMm);
  const turnOfUpright = Math.atan2(upright.along.yMm, upright.along.xMm);
  const near = (angle: number, quarter: number): number => {
    const off = angle - quarter;
    return off - Math.PI * Math.round(off / Math.PI);
  };
  const [a, b] = [near(turnOfLevel, 0), near(turnOfUpright, Math.PI / 2)];
  const turn = (a * sheet.widthMm + b * sheet.heightMm) / (sheet.widthMm + sheet.heightMm);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [ox, oy] = [left ? 0 : sheet.widthMm, top ? 0 : sheet.heightMm];
  // Paper (x, y) lies at corner + R (x − ox, y − oy).
  const toScan: Affine = [c, s, -s, c, corner.xMm - c * ox + s * oy, corner.yMm - s * ox - c * oy];
  return invert(toScan);
}

function readSide(
  image: GreyImage,
  frame: ScanFrame,
  { sheet, marginsMm, flipEdge }: CalibrationAsked,
  side: 'front' | 'back',
): ScanRead<ScannedSide> {
  const papers = findPaper(image, frame);
  const paper = [...papers].sort((p, q) => q.box.widthMm * q.box.heightMm - p.box.widthMm * p.box.heightMm)[0];
  const name = `The scan of the ${side}`;
  if (!paper) return { ok: false, why: `${name} shows no sheet on a dark ground: lay black card over it.` };
  const toPaper = paperFrame(paper.edges, sheet);
  if (!toPaper)
    return {
      ok: false,
      why: `${name} shows too little of the sheet’s edges: one of its long and one of its short edges must lie inside the glass, with dark ground beyond.`,
    };
  const toScan = invert(toPaper);
  const toDots = invert(frame);
  const grey = (p: Point): number => sample(image, apply(toDots, apply(toScan, p)));
  const dotMm = Math.sqrt(Math.abs(frame[0] * frame[3] - frame[1] * frame[2]));
  const { crosses } = calibrationMarks(sheet, marginsMm);
  const found: Partial<Record<Cross, Point>> = {};
  let ticks = 0;
  for (const cross of CROSSES) {
    const at = crossAt(crosses[cross], grey, dotMm);
    if (!at)
      return {
        ok: false,
        why: `${name} shows no cross where ${CROSS_NAMES[side === 'front' ? cross : mirrored(cross, turnOf(sheet, flipEdge))]} should be, within ${ASTRAY_MM} mm: is it the calibration sheet of this path and stock, and does all of it lie on the glass?`,
      };
    found[cross] = at.middle;
    ticks += at.isTicked ? 1 : 0;
  }
  // Named as the front is read: on the back the same corner of the paper stands on the other side.
  const own = eachCross((cross) => found[side === 'front' ? cross : mirrored(cross, turnOf(sheet, flipEdge))]!);
  // The arrow stands to the left of the middle and points up, on the front; head to foot, all of it is turned half round.
  const points = side === 'front' || turnOf(sheet, flipEdge) === 'leftRight' ? -1 : 1;
  const upright = arrowInk(sheet, points, grey, dotMm);
  const turned = arrowInk(sheet, points, (p) => grey(halfTurned(p, sheet)), dotMm);
  const isTurned = turned > upright;
  const swap: Readonly<Record<Cross, Cross>> = {
    topLeft: 'bottomRight',
    topRight: 'bottomLeft',
    bottomLeft: 'topRight',
    bottomRight: 'topLeft',
  };
  const [w, h] = [widthOf(paper.edges), heightOf(paper.edges)];
  const size = { widthMm: w ?? sheet.widthMm, heightMm: h ?? sheet.heightMm };
  const seen = eachCross((cross) => apply(toScan, own[isTurned ? swap[cross] : cross]));
  const placed = eachCross((cross) => (isTurned ? halfTurned(own[swap[cross]], size) : own[cross]));
  const { left, right, top, bottom } = paper.edges;
  const sees = { left: left !== null, right: right !== null, top: top !== null, bottom: bottom !== null };
  return {
    ok: true,
    value: {
      ...{ seen, edges: paper.edges, crosses: placed, isTicked: ticks >= 2, width: w, height: h },
      sees: isTurned ? { left: sees.right, right: sees.left, top: sees.bottom, bottom: sees.top } : sees,
    },
  };
}

/** The corner that lies behind another once the sheet is turned over. */
const mirrored = (cross: Cross, turn: TurnOver): Cross =>
  turn === 'leftRight'
    ? ({ topLeft: 'topRight', topRight: 'topLeft', bottomLeft: 'bottomRight', bottomRight: 'bottomLeft' } as const)[
        cross
      ]
    : ({ topLeft: 'bottomLeft', bottomLeft: 'topLeft', topRight: 'bottomRight', bottomRight: 'topRight' } as const)[
        cross
      ];

const halfTurned = ({ xMm, yMm }: Point, { widthMm, heightMm }: SheetSize): Point => ({
  xMm: widthMm - xMm,
  yMm: heightMm - yMm,
});

const apart = (a: Edge | null, b: Edge | null): Mm | null => {
  if (!a || !b) return null;
  const [dx, dy] = [b.at.xMm - a.at.xMm, b.at.yMm - a.at.yMm];
  return (Math.abs(dy * a.along.xMm - dx * a.along.yMm) + Math.abs(dy * b.along.xMm - dx * b.along.yMm)) / 2;
};
const widthOf = ({ left, right }: FoundPaper['edges']): Mm | null => apart(left, right);
const heightOf = ({ top, bottom }: FoundPaper['edges']): Mm | null => apart(top, bottom);

/** The middle of the cross nearest to where one should be, to a small part of a dot; and whether it bears ticks. */
function crossAt(
  meant: Point,
  grey: (p: Point) => number,
  dotMm: Mm,
): { readonly middle: Point; readonly isTicked: boolean } | null {
  // Each way is looked for where the other may be astray: once more from there.
  let guess = meant;
  for (let round = 0; round < 2; round += 1) {
    const dx = roughNear(guess, grey, dotMm, true);
    if (dx === null) return null;
    guess = { xMm: guess.xMm + dx, yMm: guess.yMm };
    const dy = roughNear(guess, grey, dotMm, false);
    if (dy === null) return null;
    guess = { xMm: guess.xMm, yMm: guess.yMm + dy };
  }
  const upright = armLine(guess, grey, dotMm, true);
  const level = armLine(guess, grey, dotMm, false);
  if (!upright || !level) return null;
  const middle = crossing(upright, level);
  return { middle, isTicked: ticksBeside(middle, grey, dotMm) };
}

const at = ({ xMm, yMm }: Point, dx: Mm, dy: Mm): Point => ({ xMm: xMm + dx, yMm: yMm + dy });

/** How far the darkest line lies from a guess. */
function roughNear(guess: Point, grey: (p: Point) => number, dotMm: Mm, upright: boolean): Mm | null {
  const spread = (s: Mm, off: Mm): Point => (upright ? at(guess, off, s) : at(guess, s, off));
  let [best, bestAt] = [0, 0];
  for (let off = -ASTRAY_MM; off <= ASTRAY_MM; off += dotMm / 2) {
    let [sum, count] = [0, 0];
    for (let s = -ARM_TO_MM; s <= ARM_TO_MM; s += dotMm) {
      sum += 255 - grey(spread(s, off));
      count += 1;
    }
    if (sum / count > best) [best, bestAt] = [sum / count, off];
  }
  return best > LEAST_INK ? bestAt : null;
}

/** The line through the middles of an arm’s ink, taken dot by dot along both halves of it. */
function armLine(guess: Point, grey: (p: Point) => number, dotMm: Mm, upright: boolean): Edge | null {
  const points: Point[] = [];
  let tried = 0;
  const fine = Math.min(dotMm / 4, 0.03);
  for (const sign of [-1, 1] as const)
    for (let s = ARM_FROM_MM; s <= ARM_TO_MM; s += dotMm / 2) {
      tried += 1;
      const profile: [Mm, number][] = [];
      for (let off = -PEAK_MM; off <= PEAK_MM; off += fine)
        profile.push([off, 255 - grey(upright ? at(guess, off, sign * s) : at(guess, sign * s, off))]);
      const paper = median(profile.map(([, ink]) => ink));
      const above = profile.map(([off, ink]) => [off, Math.max(0, ink - paper - LEAST_INK / 2)] as const);
      const sum = above.reduce((n, [, ink]) => n + ink, 0);
      if (Math.max(...above.map(([, ink]) => ink)) < LEAST_INK / 2) continue;
      const off = above.reduce((n, [mm, ink]) => n + mm * ink, 0) / sum;
      points.push(upright ? at(guess, off, sign * s) : at(guess, sign * s, off));
    }
  return points.length < ARM_SHARE * tried ? null : fitLine(points);
}

/** The back’s crosses carry a tick every half millimetre: beside the arm the grey then comes and goes. */
function ticksBeside(middle: Point, grey: (p: Point) => number, dotMm: Mm): boolean {
  const beside = (s: Mm, off: Mm): readonly number[] => [
    255 - grey(at(middle, s, off)),
    255 - grey(at(middle, off, s)),
  ];
  const ink: number[] = [];
  for (let s = 0.75; s <= 3.9; s += dotMm / 2)
    for (const sign of [-1, 1]) for (const off of [-0.5, 0.5]) ink.push(...beside(sign * s, off));
  const far: number[] = [];
  for (let s = 4.8; s <= 6.4; s += dotMm / 2)
    for (const sign of [-1, 1]) for (const off of [-0.5, 0.5]) far.push(...beside(sign * s, off));
  const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
  return mean(ink) - mean(far) > TICK_INK;
}
const TICK_INK = 8;

/** The share of the arrow’s shaft that is dark, where it should stand. */
function arrowInk(sheet: SheetSize, points: 1 | -1, grey: (p: Point) => number, dotMm: Mm): number {
  const centre = middleOf(sheet);
  // Its shaft, from a little beyond its tail to the foot of its head.
  const from = centre.yMm + points * (sheet.heightMm * ARROW.tailShare + 1);
  const to = centre.yMm + points * (sheet.heightMm * ARROW.tipShare - ARROW.headMm - 1);
  let best = 0;
  for (let dx = -ASTRAY_MM; dx <= ASTRAY_MM; dx += dotMm / 2) {
    let [dark, count] = [0, 0];
    const steps = 120;
    for (let i = 0; i <= steps; i += 1) {
      const y = from + ((to - from) * i) / steps;
      const here = grey({ xMm: centre.xMm - ARROW.leftMm + dx, yMm: y });
      const beside = grey({ xMm: centre.xMm - ARROW.leftMm + dx - 1.2, yMm: y });
      count += 1;
      if (beside - here > LEAST_INK) dark += 1;
    }
    best = Math.max(best, dark / count);
  }
  return best;
}
