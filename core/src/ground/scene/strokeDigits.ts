import type { Point } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';

/** Figures of straight strokes, so that a number needs no typeface: which of seven strokes each has. */
const STROKES = ['abcdef', 'bc', 'abged', 'abgcd', 'fgbc', 'afgcd', 'afgedc', 'abc', 'abcdefg', 'abcdfg'];
/** From and to, in half heights from a figure’s top left. */
const ENDS: Readonly<Record<string, readonly [number, number, number, number]>> = {
  a: [0, 0, 1, 0],
  b: [1, 0, 1, 1],
  c: [1, 1, 1, 2],
  d: [0, 2, 1, 2],
  e: [0, 1, 0, 2],
  f: [0, 0, 0, 1],
  g: [0, 1, 1, 1],
};
/** Between one figure and the next, in half heights. */
const STEP = 1.7;

/** What these strokes are, looked at upside-down; the others are no figures then. */
const TURNED: Readonly<Record<string, string>> = { 0: '0', 2: '2', 5: '5', 6: '9', 8: '8', 9: '6' };

/** Whether it is another number upside-down; a line under it then tells which way up it is. */
const turnsIntoAnother = (text: string): boolean =>
  [...text].every((figure) => figure in TURNED) &&
  [...text]
    .map((figure) => TURNED[figure])
    .toReversed()
    .join('') !== text;

/** Under a figure’s foot, in half heights. */
const LINE_OFF = 0.5;

/** A whole number in strokes of seven, so high, round a middle. */
export function strokeDigits(number: number, middle: Point, highMm: Mm): readonly (readonly [Point, Point])[] {
  const half = highMm / 2;
  const text = String(number);
  const wide = ((text.length - 1) * STEP + 1) * half;
  const foot = middle.yMm + half * (1 + LINE_OFF);
  const line: readonly [Point, Point] = [
    { xMm: middle.xMm - wide / 2, yMm: foot },
    { xMm: middle.xMm + wide / 2, yMm: foot },
  ];
  const figures = [...text].flatMap((digit, i) => {
    const left = middle.xMm + (i - (text.length - 1) / 2) * STEP * half - half / 2;
    const top = middle.yMm - half;
    return [...STROKES[Number(digit)]!].map((name): readonly [Point, Point] => {
      const [x1, y1, x2, y2] = ENDS[name]!;
      return [
        { xMm: left + x1 * half, yMm: top + y1 * half },
        { xMm: left + x2 * half, yMm: top + y2 * half },
      ];
    });
  });
  return turnsIntoAnother(text) ? [...figures, line] : figures;
}
