import { fixed } from '../ground/length/rounding.ts';
import { formatLength } from '../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../ground/length/types.ts';
import type { Figure, FigureValue } from './findings.ts';
import { localeOf, sayMoney, type Minor, type WrittenForm } from '../ground/money.ts';

export const length = (mm: Mm): FigureValue => ({ kind: 'length', mm });
export const count = (n: number, of?: string): FigureValue => ({ kind: 'count', count: n, ...(of ? { of } : {}) });
export const money = (minor: Minor): FigureValue => ({ kind: 'money', minor });
export const share = (value: number): FigureValue => ({ kind: 'share', share: value });
export const minutes = (value: number): FigureValue => ({ kind: 'minutes', minutes: value });
export const ratio = (value: number): FigureValue => ({ kind: 'ratio', ratio: value });
export const words = (text: string): FigureValue => ({ kind: 'text', text });

/** A figure and its working in one line of a station. */
export const figure = (
  id: string,
  label: string,
  value: FigureValue,
  sum: string,
  inputs: Readonly<Record<string, FigureValue>> = {},
): Figure => ({
  id,
  label,
  value,
  working: { sum, inputs: Object.entries(inputs).map(([name, input]) => ({ label: name, value: input })) },
});

/** How the studio wants figures written. */
export interface Spoken extends WrittenForm {
  readonly unit: LengthUnit;
}

/** Writes a figure for people; the same words on the page, the ticket and the command line. */
export function say(value: FigureValue, spoken: Spoken): string {
  switch (value.kind) {
    case 'length':
      return formatLength(value.mm, spoken.unit);
    case 'count':
      return value.of ? `${value.count} ${plural(value.count, value.of)}` : String(value.count);
    case 'money':
      return sayMoney(value.minor, spoken);
    case 'share':
      return `${fixed(value.share * 100, value.share !== 0 && Math.abs(value.share) < 0.1 ? 1 : 0)} %`;
    case 'minutes':
      return sayMinutes(value.minutes);
    case 'ratio':
      return fixed(value.ratio, value.ratio < 10 ? 2 : 1);
    case 'text':
      return value.text;
  }
}

export function sayMinutes(minutesTaken: number): string {
  const whole = Math.round(minutesTaken);
  if (minutesTaken === 0) return 'none';
  if (whole < 1) return 'under 1 min';
  if (whole < 60) return `${whole} min`;
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')} min`;
}

/** Adds the plain s of counted nouns; words with their own plural are passed as they are. */
export const plural = (n: number, noun: string): string => (n === 1 || noun.endsWith('s') ? noun : `${noun}s`);

/** Things one after another: a, b and c. */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

/** An ISO day as people of the region say it: 4 December 2026, December 4, 2026. */
export const sayDay = (day: string, region?: string): string =>
  new Intl.DateTimeFormat(localeOf(region), { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${day}T00:00:00Z`),
  );

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
