/** Smallest type in points: plain, and reversed out of a dark ground or in a fine script. */
export const SMALLEST_PT = { plain: 6, fine: 8 } as const;
