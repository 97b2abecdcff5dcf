import { apply, IDENTITY, turnedOver } from '../../ground/geometry/affine.ts';
import { polygon, polyline, segment } from '../../ground/geometry/path.ts';
import type { Point, Sides } from '../../ground/geometry/types.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import type { Page, Shape } from '../../ground/scene/types.ts';
import { ARM_MM, ARROW, calibrationMarks, eachCross, middleOf, type SheetSize } from './marks.ts';
import { CROSSES, type Cross } from './types.ts';

const TEXT_MM = 3.4;
/** The back’s crosses carry a scale in half millimetres, the front’s are plain: held to the light one reads the other. */
const TICK_EVERY_MM = 0.5;
const TICKS = 8;
export const CROSS_NAMES: Readonly<Record<Cross, string>> = {
  topLeft: 'A',
  topRight: 'B',
  bottomLeft: 'C',
  bottomRight: 'D',
};

export interface CalibrationSheet {
  readonly sheet: SheetSize;
  readonly marginsMm: Sides;
  /** What the path’s driver makes larger, which is counted before what is measured. */
  readonly enlargesBy?: number;
  readonly flipEdge: 'long' | 'short';
  /** Printer, path and stock, so that a sheet found later still says what it is. */
  readonly about: string;
  readonly date: string | null;
  readonly unit: LengthUnit;
}

/** One side of the sheet that a maker prints, measures and throws away. */
export function drawCalibration(asked: CalibrationSheet, side: 'front' | 'back'): Page {
  const { sheet, marginsMm, flipEdge } = asked;
  const box = { xMm: 0, yMm: 0, ...sheet };
  const marks = calibrationMarks(sheet, marginsMm);
  const map = side === 'front' ? IDENTITY : turnedOver(sheet, flipEdge);
  const at = eachCross((cross) => apply(map, marks.crosses[cross]));
  const centre = middleOf(sheet);
  const shapes: Shape[] = CROSSES.flatMap((cross) => drawCross(at[cross], CROSS_NAMES[cross], side === 'back', centre));
  const words = (text: string, line: number): Shape => ({
    kind: 'label',
    role: 'mark',
    text,
    // Beside the upright rule: on the two sides that is not the same half of the paper, so both can be read.
    at: { xMm: centre.xMm + 8, yMm: centre.yMm + 16 + line * TEXT_MM * 1.5 },
    sizeMm: TEXT_MM,
    anchor: 'start',
  });
  // The arrow points to the same edge of the paper on both sides when the sheet is turned as it was meant to be.
  shapes.push(...arrow(centre, sheet, side === 'front' || map[3] > 0 ? -1 : 1));
  const about = asked.about.split(', ');
  if (side === 'front') {
    shapes.push(...rule(marks.ruleAcross.from, marks.ruleAcross.lengthMm, false));
    shapes.push(...rule(marks.ruleDown.from, marks.ruleDown.lengthMm, true));
    shapes.push(
      words('Front · print at 100 %, no fit', 0),
      ...about.map((part, i) => words(part, 1 + i)),
      words(`${marks.ruleAcross.lengthMm} mm across, ${marks.ruleDown.lengthMm} mm down, end to end`, 1 + about.length),
      ...(asked.date ? [words(asked.date, 2 + about.length)] : []),
    );
  } else
    shapes.push(
      words(`Back · turned on the ${flipEdge} edge`, 0),
      words('Hold to the light, front towards you:', 1),
      words('where does this cross lie from the', 2),
      words('plain one? Each small tick is ½ mm.', 3),
    );
  return { scene: { box, symbols: {}, shapes }, trimBox: box, bleedBox: box };
}

const mark = (x1: Mm, y1: Mm, x2: Mm, y2: Mm): Shape => ({ kind: 'path', role: 'mark', path: segment(x1, y1, x2, y2) });

function drawCross({ xMm, yMm }: Point, name: string, scaled: boolean, centre: Point): readonly Shape[] {
  // Lettered towards the middle, where there is always room.
  const [inX, inY] = [Math.sign(centre.xMm - xMm), Math.sign(centre.yMm - yMm)];
  const shapes: Shape[] = [
    mark(xMm - ARM_MM, yMm, xMm + ARM_MM, yMm),
    mark(xMm, yMm - ARM_MM, xMm, yMm + ARM_MM),
    {
      kind: 'label',
      role: 'mark',
      text: name,
      at: { xMm: xMm + inX * (scaled ? 9 : 5), yMm: yMm + inY * (scaled ? 9 : 5) + TEXT_MM * 0.35 },
      sizeMm: TEXT_MM,
      anchor: 'middle',
    },
  ];
  if (scaled)
    for (let k = -TICKS; k <= TICKS; k += 1) {
      if (k === 0) continue;
      const reach = k % 2 === 0 ? 1.4 : 0.7;
      const off = k * TICK_EVERY_MM;
      shapes.push(
        mark(xMm + off, yMm - reach, xMm + off, yMm + reach),
        mark(xMm - reach, yMm + off, xMm + reach, yMm + off),
      );
    }
  return shapes;
}

/** End bars to measure between, and a tick every ten millimetres. */
function rule({ xMm, yMm }: Point, lengthMm: Mm, upright: boolean): readonly Shape[] {
  const line = (a: Mm, p: Mm, b: Mm, q: Mm): Shape =>
    upright ? mark(xMm + p, yMm + a, xMm + q, yMm + b) : mark(xMm + a, yMm + p, xMm + b, yMm + q);
  const shapes = [line(0, 0, lengthMm, 0)];
  for (let at = 0; at <= lengthMm; at += 10) {
    const reach = at === 0 || at === lengthMm ? 4 : at % 50 === 0 ? 2.4 : 1.4;
    shapes.push(line(at, -reach, at, reach));
  }
  return shapes;
}

/** A tall arrow beside the middle: this end of the paper went in first. */
function arrow({ xMm, yMm }: Point, { heightMm }: SheetSize, points: 1 | -1): readonly Shape[] {
  const { leftMm, tipShare, tailShare, headMm } = ARROW;
  const [tip, tail] = [yMm + points * heightMm * tipShare, yMm + points * heightMm * tailShare];
  const x = xMm - leftMm;
  return [
    {
      kind: 'path',
      role: 'mark',
      path: polyline([
        { xMm: x, yMm: tail },
        { xMm: x, yMm: tip },
      ]),
    },
    {
      kind: 'path',
      role: 'mark',
      path: polygon([
        { xMm: x, yMm: tip },
        { xMm: x - headMm / 2, yMm: tip - points * headMm },
        { xMm: x + headMm / 2, yMm: tip - points * headMm },
      ]),
      fill: '#1d2930',
    },
    {
      kind: 'label',
      role: 'mark',
      text: 'this end first',
      at: { xMm: x - 4, yMm: (tip + tail) / 2 },
      sizeMm: TEXT_MM,
      anchor: 'end',
    },
  ];
}
