import { fixed } from '../ground/length/rounding.ts';
import { MM_PER_INCH, type Gsm, type LengthUnit, type Micron } from '../ground/length/types.ts';
import { GRADES, type Grade } from './types.ts';

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
/** A point of thickness, a mil: a thousandth of an inch. */
const MICRON_PER_POINT = MM_PER_INCH;

const reamAreaM2 = (grade: Grade): number => {
  const [width, height] = BASIS_IN[grade];
  return width * height * (MM_PER_INCH / 1000) ** 2 * SHEETS_PER_REAM;
};

/** Grams per square metre to pounds of a grade. Derivation: mass of 500 basis sheets. */
export const poundsOf = (gsm: Gsm, grade: Grade): number => (gsm * reamAreaM2(grade)) / GRAMS_PER_POUND;
/** The way back. */
const gsmOf = (pounds: number, grade: Grade): Gsm => (pounds * GRAMS_PER_POUND) / reamAreaM2(grade);

/** “300 gsm (111 lb cover)”: pounds alone would be ambiguous, so the grade is always named. */
export const sayWeight = (gsm: Gsm, grade: Grade): string =>
  `${Number(fixed(gsm, 1))} gsm (${Math.round(poundsOf(gsm, grade))} lb ${grade})`;

type LabelRead<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

/** What a label says of weight; the grade where it is in pounds. */
export interface LabelWeight {
  readonly gsm: Gsm;
  readonly grade?: Grade;
}

const AMOUNT = String.raw`(\d+(?:[.,]\d+)?)`;
const GRAMS = new RegExp(String.raw`^${AMOUNT}\s*(?:gsm|g|g/m2|g/m²|grams?)?$`);
const POUNDS = new RegExp(String.raw`^${AMOUNT}\s*(?:lbs?|#|pounds?)\.?\s*(.*)$`);
const amountOf = (text: string): number => Number(text.replace(',', '.'));
/** As fine as a kitchen scale tells it. */
const tenth = (n: number): number => Math.round(n * 10) / 10;

/**
 * A weight as it is printed on a pack: “300”, “300 gsm”, “110 lb cover”, “80# text”. Pounds without a grade are refused,
 * since eighty of them are two very different papers.
 */
export function readWeight(text: string): LabelRead<LabelWeight> {
  const said = text.trim().toLowerCase();
  const grams = GRAMS.exec(said);
  if (grams) return { ok: true, value: { gsm: amountOf(grams[1]!) } };
  const pounds = POUNDS.exec(said);
  if (!pounds) return { ok: false, why: 'a weight as the pack says it, such as 300 gsm or 110 lb cover' };
  const grade = GRADES.find((known) => pounds[2]!.startsWith(known));
  return grade
    ? { ok: true, value: { gsm: tenth(gsmOf(amountOf(pounds[1]!), grade)), grade } }
    : { ok: false, why: `the grade beside pounds, as in ${pounds[1]} lb cover (or ${GRADES.slice(1).join(', ')})` };
}

const THICKNESS = new RegExp(String.raw`^${AMOUNT}\s*([^\s\d]*)$`);
const MICRON_PER: Readonly<Record<string, number>> = {
  ...{ µm: 1, μm: 1, um: 1, micron: 1, microns: 1, mm: 1000 },
  ...{ pt: MICRON_PER_POINT, pts: MICRON_PER_POINT, point: MICRON_PER_POINT, points: MICRON_PER_POINT },
  ...{ mil: MICRON_PER_POINT, mils: MICRON_PER_POINT },
  ...{ in: 1000 * MM_PER_INCH, inch: 1000 * MM_PER_INCH, '"': 1000 * MM_PER_INCH },
};

/**
 * A thickness as it is printed on a pack or read from a gauge: “370 µm”, “0.37 mm”, “14 pt”, “12 mil”. A bare number is
 * in points where the ruler is in inches, else in microns.
 */
export function readThickness(text: string, unit: LengthUnit): LabelRead<Micron> {
  const [, amount, named] = THICKNESS.exec(text.trim().toLowerCase()) ?? [];
  const micronPer = MICRON_PER[named || (unit === 'in' ? 'pt' : 'µm')];
  return amount === undefined || micronPer === undefined
    ? { ok: false, why: 'a thickness such as 370 µm, 0.37 mm or 14 pt' }
    : { ok: true, value: tenth(amountOf(amount) * micronPer) };
}

/** The weight as the studio’s papers are labelled: grams, or pounds with their grade. */
export const showWeight = (gsm: Gsm, grade: Grade, inPounds: boolean): string =>
  inPounds ? `${Number(fixed(poundsOf(gsm, grade), 1))} lb ${grade}` : `${Number(fixed(gsm, 1))} gsm`;

export const showThickness = (micron: Micron, unit: LengthUnit): string =>
  unit === 'in' ? `${Number(fixed(micron / MICRON_PER_POINT, 1))} pt` : `${Number(fixed(micron, 1))} µm`;
