import type { Grade } from '../../workshop/types.ts';
import { MM_PER_INCH, type Gsm } from '../../ground/length/types.ts';

/** Basis sheets in inches: 500 of these weigh the stock's pounds. Source: North American trade sizes. */
const BASIS_IN: Readonly<Record<Grade, readonly [number, number]>> = {
  cover: [20, 26],
  text: [25, 38],
  bond: [17, 22],
  index: [25.5, 30.5],
  bristol: [22.5, 28.5],
  tag: [24, 36],
};

const GRAMS_PER_POUND = 453.59237;
const SHEETS_PER_REAM = 500;

/** Grams per square metre to pounds of a grade. Derivation: mass of 500 basis sheets. */
export function poundsOf(gsm: Gsm, grade: Grade): number {
  const [width, height] = BASIS_IN[grade];
  const areaM2 = width * height * (MM_PER_INCH / 1000) ** 2;
  return (gsm * areaM2 * SHEETS_PER_REAM) / GRAMS_PER_POUND;
}

/** “300 gsm (111 lb cover)”: pounds alone would be ambiguous, so the grade is always named. */
export const sayWeight = (gsm: Gsm, grade: Grade): string =>
  `${gsm} gsm (${Math.round(poundsOf(gsm, grade))} lb ${grade})`;
