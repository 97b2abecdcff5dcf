import countryToCurrency from 'country-to-currency';
import type { SeekOption } from '../ui/SeekPick.tsx';

const inEnglish = (type: 'region' | 'currency'): Intl.DisplayNames => new Intl.DisplayNames('en', { type });
const byName = (a: SeekOption, b: SeekOption): number => a.name.localeCompare(b.name, 'en');
const CURRENCIES: Readonly<Record<string, string>> = countryToCurrency;

/** What is usual in a region, by ISO 3166 alpha-2. @returns ISO 4217; undefined where nobody knows */
export const currencyOf = (region: string): string | undefined => CURRENCIES[region];

export function regions(): readonly SeekOption[] {
  const names = inEnglish('region');
  return Object.keys(CURRENCIES)
    .map((id) => ({ id, name: names.of(id) ?? id }))
    .filter(({ id, name }) => name !== id)
    .sort(byName);
}

export function currencies(): readonly SeekOption[] {
  const names = inEnglish('currency');
  return Intl.supportedValuesOf('currency')
    .map((id) => ({ id, name: names.of(id) ?? id, note: id }))
    .sort(byName);
}

/** The region that this browser is set to, where it says so. */
export const regionHere = (): string | undefined => {
  const { region } = new Intl.Locale(navigator.language).maximize();
  return region && region in CURRENCIES ? region : undefined;
};

/** As prices are said to be in it: US dollars, British pounds. */
export const moneyName = (currency: string): string =>
  new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'name' })
    .formatToParts(2)
    .find(({ type }) => type === 'currency')!.value;
