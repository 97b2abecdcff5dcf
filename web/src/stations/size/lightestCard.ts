import type { Stock } from '@zippy/core';

/** Thinner than this is paper to pleat and to wrap, not to glue on. Our starting value. */
const CARD_FROM_GSM = 100;

/** The lightest stock of at least so much; the lightest of all where none is. */
export function lightestCard(stocks: readonly Stock[], fromGsm = CARD_FROM_GSM): Stock {
  const sorted = [...stocks].sort((a, b) => a.gsm - b.gsm);
  return sorted.find(({ gsm }) => gsm >= fromGsm) ?? sorted[0]!;
}
