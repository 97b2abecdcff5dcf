import type { Stock } from '@zippy/core';

/** Stocks of the shelf to pick from, by weight and colour. */
export const stockOptions = (
  stocks: readonly Stock[],
): readonly { readonly id: string; readonly name: string; readonly note: string; readonly swatch: string }[] =>
  stocks.map(({ id, name, gsm, colour }) => ({ id, name, note: `${gsm} gsm`, swatch: colour }));
