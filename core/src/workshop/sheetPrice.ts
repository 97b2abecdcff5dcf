import type { Stock } from './types.ts';

/**
 * What one sheet comes to, in minor units: of a pack its share, which need not be whole. What is bought by the pack has
 * no price of a single sheet beside it.
 */
export const sheetPriceOf = ({ pack, sheetPriceMinor }: Pick<Stock, 'pack' | 'sheetPriceMinor'>): number =>
  pack ? pack.priceMinor / pack.sheets : sheetPriceMinor;
