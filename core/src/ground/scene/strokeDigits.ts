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

/** A whole number in strokes of seven, so high, round a middle. */
export function strokeDigits(number: number, middle: Point, highMm: Mm): readonly (readonly [Point, Point])[] {
  const half = highMm / 2;
  const text = String(number);
  return [...text].flatMap((digit, i) => {
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
}
