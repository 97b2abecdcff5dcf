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
/** A point of thickness, a mil: a thousandth of an inch, so as many microns as an inch has millimetres. */
export const MICRON_PER_POINT = MM_PER_INCH;

const reamAreaM2 = (grade: Grade): number => {
  const [width, height] = BASIS_IN[grade];
  return width * height * (MM_PER_INCH / 1000) ** 2 * SHEETS_PER_REAM;
};

/** As fine as a kitchen scale or a gauge tells it. */
const tenth = (n: number): number => Math.round(n * 10) / 10;

/** Grams per square metre to pounds of a grade. Derivation: mass of 500 basis sheets. */
export const poundsOf = (gsm: Gsm, grade: Grade): number => (gsm * reamAreaM2(grade)) / GRAMS_PER_POUND;
/** The way back, to what a kitchen scale tells. */
export const gsmOf = (pounds: number, grade: Grade): Gsm => tenth((pounds * GRAMS_PER_POUND) / reamAreaM2(grade));

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
  // The first word alone: “textured” is no text.
  const [first] = pounds[2]!.split(/[^a-z]/);
  const grade = GRADES.find((known) => known === first);
  return grade
    ? { ok: true, value: { gsm: gsmOf(amountOf(pounds[1]!), grade), grade } }
    : { ok: false, why: `the grade beside pounds, as in ${pounds[1]} lb cover (or ${GRADES.slice(1).join(', ')})` };
}

const THICKNESS = new RegExp(String.raw`^${AMOUNT}\s*([^\s\d]*)$`);
/** What each is called; both signs for micro are typed. */
const UNITS: readonly (readonly [micron: number, names: readonly string[]])[] = [
  [1, ['µm', 'μm', 'um', 'micron', 'microns']],
  [1000, ['mm']],
  [MICRON_PER_POINT, ['pt', 'pts', 'point', 'points', 'mil', 'mils']],
  [1000 * MM_PER_INCH, ['in', 'inch', '"']],
];

/**
 * A thickness as it is printed on a pack or read from a gauge: “370 µm”, “0.37 mm”, “14 pt”, “12 mil”. A bare number is
 * in points where the ruler is in inches, else in microns.
 */
export function readThickness(text: string, unit: LengthUnit): LabelRead<Micron> {
  const [, amount, named] = THICKNESS.exec(text.trim().toLowerCase()) ?? [];
  const called = named || (unit === 'in' ? 'pt' : 'µm');
  const [micronPer] = UNITS.find(([, names]) => names.includes(called)) ?? [];
  return amount === undefined || micronPer === undefined
    ? { ok: false, why: 'a thickness such as 370 µm, 0.37 mm or 14 pt' }
    : { ok: true, value: tenth(amountOf(amount) * micronPer) };
}

/** The weight as the studio’s papers are labelled: grams, or pounds with their grade. */
export const showWeight = (gsm: Gsm, grade: Grade, inPounds: boolean): string =>
  inPounds ? `${Number(fixed(poundsOf(gsm, grade), 1))} lb ${grade}` : `${Number(fixed(gsm, 1))} gsm`;

export const showThickness = (micron: Micron, unit: LengthUnit): string =>
  unit === 'in' ? `${Number(fixed(micron / MICRON_PER_POINT, 1))} pt` : `${Number(fixed(micron, 1))} µm`;
