import type { LengthUnit } from '../ground/length/types.ts';

export const PAPERS = ['iso', 'northAmerican'] as const;
/** Whose sheets and weights a studio buys: A4 by the gram, or letter by the pound. */
export type Papers = (typeof PAPERS)[number];

/** Where letter is the usual sheet. Source: Unicode CLDR, supplemental measurement data, paperSize US-Letter. */
const LETTER = new Set(['BZ', 'CA', 'CL', 'CO', 'CR', 'GT', 'MX', 'NI', 'PA', 'PH', 'PR', 'SV', 'US', 'VE']);
/** Where rulers are in inches. Source: the same, measurement system US, and Puerto Rico within it. */
const INCHES = new Set(['LR', 'PR', 'US']);

export const papersOf = (region: string): Papers => (LETTER.has(region) ? 'northAmerican' : 'iso');
export const unitOf = (region: string): LengthUnit => (INCHES.has(region) ? 'in' : 'mm');
