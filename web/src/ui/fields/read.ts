import { decimalsOf, formatLength, parseLength, priceFigure, readPrice, type LengthUnit, type Mm } from '@zippy/core';

/** What a line of text comes to, or one sentence that names the field and what it wants. */
export type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

interface Within {
  readonly least: number;
  readonly most: number;
}

export interface LengthAsked extends Within {
  readonly label: string;
  readonly unit: LengthUnit;
  /** What the field stands for now. */
  readonly mm: Mm | null;
}

export function readLength(text: string, asked: LengthAsked): Read<Mm> {
  return lengthOf(text, asked, '');
}

/** The same where an empty field is a choice: null. */
export function readMaybeLength(text: string, asked: LengthAsked): Read<Mm | null> {
  return text.trim() === '' ? { ok: true, value: null } : lengthOf(text, asked, ', or leave it empty');
}

function lengthOf(text: string, { label, unit, mm, least, most }: LengthAsked, orElse: string): Read<Mm> {
  // What is shown may be rounded, so leaving it as shown must not round the job.
  if (mm !== null && text === formatLength(mm, unit)) return { ok: true, value: mm };
  const parsed = parseLength(text, unit);
  if (!parsed.ok) return { ok: false, why: `${label}: ${parsed.why}${orElse}.` };
  return parsed.mm < least || parsed.mm > most
    ? { ok: false, why: `${label} wants ${formatLength(least, unit)} to ${formatLength(most, unit)}.` }
    : { ok: true, value: parsed.mm };
}

/** Thousandths are shown and no more. */
export const showNumber = (n: number): string => String(Math.round(n * 1000) / 1000);

export function readNumber(
  text: string,
  { label, least, most, whole }: Within & { readonly label: string; readonly whole: boolean },
): Read<number> {
  const n = Number(text.trim().replace(',', '.'));
  const fits = text.trim() !== '' && Number.isFinite(n) && n >= least && n <= most && (!whole || Number.isInteger(n));
  return fits
    ? { ok: true, value: n }
    : { ok: false, why: `${label} wants a ${whole ? 'whole ' : ''}number from ${least} to ${most}.` };
}

/** As on a price tag, from whole minor units. */
export const showMoney = (minor: number | null, currency: string): string =>
  minor === null ? '' : priceFigure(minor, currency);

/** Whole minor units of what is written on a price tag; null where nothing is. */
export function readMoney(text: string, label: string, currency: string): Read<number | null> {
  if (text.trim() === '') return { ok: true, value: null };
  const minor = readPrice(text, currency);
  return minor === null
    ? { ok: false, why: `${label} wants an amount such as ${(3.5).toFixed(decimalsOf(currency))}, or nothing.` }
    : { ok: true, value: minor };
}
