/** Money in whole minor units: pence, cents. */
export type Minor = number & { readonly __unit?: 'minor' };
