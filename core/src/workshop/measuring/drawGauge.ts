import { compose, translation, type Affine } from '../../ground/geometry/affine.ts';
import { boxPath, segment } from '../../ground/geometry/path.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Page, Shape } from '../../ground/scene/types.ts';
import { lineDeg } from './droop.ts';
import { GAUGE_LINES, type Fibres, type GaugeLine } from './types.ts';

/** A sheet of the stock itself, on which strips and gauge are printed and from which they are cut. */
export interface GaugeSheet {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly grain: 'long' | 'short';
  /** Kept clear on every side. */
  readonly marginMm: Mm;
  /** What it is, so that a strip found later still says so. */
  readonly about: string;
}

const GAP_MM = 5;
/** A strip narrower than this twists, and a wider one curls across. Our starting value. */
const STRIP_MM = 20;
/** So many of each way: one to hang each face up. */
const STRIPS = 2;
/** What is left for strips to lie on the table by. */
const LEAST_STRIP_MM = 120;
const LEAST_GAUGE_MM = 70;
const GAUGE_LONG_MM = 260;
const GAUGE_HIGH_MM = 80;
const TEXT_MM = 3;

export const LINE_NAMES: Readonly<Record<GaugeLine, string>> = { half: '½', threeQuarters: '¾', whole: '1' };

/** Where strips and gauge lie on a sheet, mm; null where it is too small for them. */
export interface GaugeLayout {
  readonly level: readonly Box[];
  readonly upright: readonly Box[];
  readonly gauge: Box;
  /** Fibres of the upright strips; the level ones are the other way. */
  readonly uprightFibres: Fibres;
}

export function layGauge({ widthMm, heightMm, grain, marginMm }: Omit<GaugeSheet, 'about'>): GaugeLayout | null {
  const box = {
    ...{ xMm: marginMm, yMm: marginMm },
    ...{ widthMm: widthMm - 2 * marginMm, heightMm: heightMm - 2 * marginMm },
  };
  const band = STRIPS * STRIP_MM + (STRIPS - 1) * GAP_MM;
  const highMm = box.heightMm - band - GAP_MM;
  const leftMm = box.widthMm - band - GAP_MM;
  if (Math.min(box.widthMm, highMm) < LEAST_STRIP_MM || leftMm < LEAST_GAUGE_MM) return null;
  const strips = (at: (i: number) => Box): readonly Box[] => Array.from({ length: STRIPS }, (_, i) => at(i));
  return {
    gauge: {
      ...{ xMm: box.xMm, yMm: box.yMm },
      ...{ widthMm: Math.min(leftMm, GAUGE_HIGH_MM), heightMm: Math.min(highMm, GAUGE_LONG_MM) },
    },
    upright: strips((i) => ({
      ...{ xMm: box.xMm + leftMm + GAP_MM + i * (STRIP_MM + GAP_MM), yMm: box.yMm },
      ...{ widthMm: STRIP_MM, heightMm: highMm },
    })),
    level: strips((i) => ({
      ...{ xMm: box.xMm, yMm: box.yMm + highMm + GAP_MM + i * (STRIP_MM + GAP_MM) },
      ...{ widthMm: box.widthMm, heightMm: STRIP_MM },
    })),
    uprightFibres: (grain === 'long') === heightMm >= widthMm ? 'along' : 'across',
  };
}

/**
 * Strips of a stock with a scale each, and the gauge whose lines they hang down to: printed on the stock itself, at its own
 * size. A strip is laid on a table with its nought out; where it leaves the edge, its own scale reads the overhang.
 * @throws RangeError when the sheet is too small for them
 */
export function drawGauge(sheet: GaugeSheet): Page {
  const laid = layGauge(sheet);
  if (!laid) throw new RangeError(`drawGauge: a larger sheet is wanted, got ${sheet.widthMm} × ${sheet.heightMm} mm`);
  const { gauge, upright, level, uprightFibres } = laid;
  const box = { xMm: 0, yMm: 0, widthMm: sheet.widthMm, heightMm: sheet.heightMm };
  const otherFibres: Fibres = uprightFibres === 'along' ? 'across' : 'along';
  const shapes = [
    // Both are drawn lying, with their beginning on the left.
    at(standing(gauge), drawGaugeCard(gauge.heightMm, gauge.widthMm)),
    ...upright.map((strip) => at(standing(strip), drawStrip(strip.heightMm, uprightFibres, sheet.about))),
    ...level.map((strip) => at(translation(strip.xMm, strip.yMm), drawStrip(strip.widthMm, otherFibres, sheet.about))),
  ];
  return { scene: { box, symbols: {}, shapes }, trimBox: box, bleedBox: box };
}

/** From a lying frame to a box that stands: a quarter turn, its beginning below. */
const standing = ({ xMm, yMm, heightMm }: Box): Affine =>
  compose(translation(xMm, yMm + heightMm), [0, -1, 1, 0, 0, 0]);

const at = (transform: Affine, children: readonly Shape[]): Shape => ({ kind: 'group', transform, children });

const mark = (x1: Mm, y1: Mm, x2: Mm, y2: Mm): Shape => ({ kind: 'path', role: 'mark', path: segment(x1, y1, x2, y2) });
const words = (text: string, xMm: Mm, yMm: Mm, anchor: 'start' | 'middle' | 'end' = 'start', turnDeg = 0): Shape => ({
  ...{ kind: 'label', role: 'mark', text, at: { xMm, yMm }, sizeMm: TEXT_MM, anchor },
  ...(turnDeg ? { turnDeg } : {}),
});

/** A strip from its end that hangs out: a tick each millimetre, longer at five, numbered at ten. */
function drawStrip(lengthMm: Mm, fibres: Fibres, about: string): readonly Shape[] {
  const shapes: Shape[] = [
    { kind: 'path', role: 'mark', path: boxPath({ xMm: 0, yMm: 0, widthMm: lengthMm, heightMm: STRIP_MM }) },
  ];
  for (let at = 1; at < lengthMm; at += 1) {
    const reach = at % 10 === 0 ? 5 : at % 5 === 0 ? 3.5 : 2;
    shapes.push(mark(at, 0, at, reach));
    if (at % 10 === 0 && at < lengthMm - 4) shapes.push(words(String(at), at, 8.6, 'middle'));
  }
  shapes.push(words(`fibres ${fibres} · 0 hangs out · ${about}`, 5, STRIP_MM - 4));
  return shapes;
}

/** The card that is held under the edge: level along its top, its lines down from the corner. */
function drawGaugeCard(lengthMm: Mm, highMm: Mm): readonly Shape[] {
  const shapes: Shape[] = [
    { kind: 'path', role: 'mark', path: boxPath({ xMm: 0, yMm: 0, widthMm: lengthMm, heightMm: highMm }) },
    words('Top edge level with the table, the corner of the lines at its edge', lengthMm - 5, 5, 'end'),
    words('Print at 100 %, no fit: 100 on a strip is 100 mm on a ruler', lengthMm - 5, highMm - 4, 'end'),
  ];
  for (const line of GAUGE_LINES) {
    const slope = Math.tan((lineDeg(line) * Math.PI) / 180);
    const reach = Math.min(lengthMm, highMm / slope);
    shapes.push(mark(0, 0, reach, reach * slope));
    // Its name rides on the line, where lines are apart.
    const at = reach * 0.72;
    shapes.push(words(LINE_NAMES[line], at, at * slope - 1.4, 'middle', lineDeg(line)));
  }
  return shapes;
}
