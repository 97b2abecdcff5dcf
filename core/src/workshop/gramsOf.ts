import type { Stock } from './types.ts';

/** What so much of a stock weighs, in grams: mm² × g/m² ÷ 10⁶. */
export const gramsOf = (areaMm2: number, { gsm }: Pick<Stock, 'gsm'>): number => (areaMm2 * gsm) / 1e6;
