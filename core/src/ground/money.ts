/** Money in whole minor units, as many to one of the currency as it has: pence, cents, yen themselves, fils. */
export type Minor = number & { readonly __unit?: 'minor' };

/** What money and days are written by. */
export interface WrittenForm {
  /** ISO 4217. */
  readonly currency: string;
  /** ISO 3166 alpha-2: whose order of day and month, whose marks in numbers. The United Kingdom’s when left out. */
  readonly region?: string;
}

/** A studio that says nothing of where it is. */
export const DEFAULT_REGION = 'GB';

/**
 * English as it is written in a region: its words are the interface’s, its marks and order the region’s. A region whose
 * English the platform does not know gets the world’s, not one country’s.
 */
export function localeOf(region: string = DEFAULT_REGION): string {
  const locale = `en-${region}`;
  return new Intl.Locale(new Intl.NumberFormat(locale).resolvedOptions().locale).region ? locale : 'en-001';
}

const made = new Map<string, Intl.NumberFormat>();
/** Kept: making one takes far longer than using it. */
function formatFor({ currency, region }: WrittenForm, partsOfMinor = 0): Intl.NumberFormat {
  const key = `${currency} ${region ?? ''} ${partsOfMinor}`;
  const kept = made.get(key);
  if (kept) return kept;
  const format = new Intl.NumberFormat(localeOf(region), {
    style: 'currency',
    currency,
    ...(partsOfMinor > 0 ? { maximumFractionDigits: decimalsOf(currency) + partsOfMinor } : {}),
  });
  made.set(key, format);
  return format;
}

const decimals = new Map<string, number>();
/** Decimals of a currency as the platform has them: two for pounds, none for yen, three for dinars. Source: ISO 4217, by way of Unicode CLDR. */
export function decimalsOf(currency: string): number {
  const known = decimals.get(currency);
  if (known !== undefined) return known;
  const found = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits!;
  decimals.set(currency, found);
  return found;
}

const minorPerMajor = (currency: string): number => 10 ** decimalsOf(currency);

/** “£1.04”, “€ 1,04”: money as people of the region write it. */
export const sayMoney = (minor: Minor, form: WrittenForm): string =>
  formatFor(form).format(minor / minorPerMajor(form.currency));

/** Money that is not whole in minor units yet: what a working reckons with. */
export const sayExactly = (minor: number, form: WrittenForm, partsOfMinor = 2): string =>
  formatFor(form, partsOfMinor).format(minor / minorPerMajor(form.currency));

/** The bare figure of a price tag, with a point whatever the region; a field reads it again. */
export const priceFigure = (minor: Minor, currency: string): string =>
  (minor / minorPerMajor(currency)).toFixed(decimalsOf(currency));

/**
 * Whole minor units of an amount as it stands on a price tag: digits, a point or a comma before the decimals, the sign
 * of any currency before or after. Null where it is no amount, is below nought or reaches a million.
 */
export function readPrice(text: string, currency: string): Minor | null {
  const plain = text
    .trim()
    .replace(/^(\p{Sc}|[A-Z]{1,3}\p{Sc}?)\s*/u, '')
    .replace(/\s*(\p{Sc}|[A-Z]{3})$/u, '')
    .replace(',', '.');
  if (!/^(\d+\.?\d*|\.\d+)$/.test(plain)) return null;
  const major = Number(plain);
  return major < 1e6 ? Math.round(major * minorPerMajor(currency)) : null;
}

/** The same figure in a currency with other decimals: 12.50 stays 12.50, or comes to 13 where there are none. */
export const sameFigure = (minor: Minor, from: string, to: string): Minor =>
  Math.round((minor * minorPerMajor(to)) / minorPerMajor(from));
