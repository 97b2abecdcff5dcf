import type { Minor } from '../ground/money.ts';

/** As something is sold. */
export interface Offer {
  readonly holds: number;
  readonly priceMinor: Minor;
}

/** What to buy. */
export interface Cover {
  readonly packs: readonly (Offer & { readonly count: number })[];
  readonly holds: number;
  readonly priceMinor: Minor;
}

/**
 * The cheapest whole packs that hold at least so many; of two that cost the same, the one that leaves less over, then that
 * of fewer packs.
 * Derivation: let b be the offer whose piece is cheapest. Among b other packs some hold together a multiple of b’s, and
 * those may be changed for packs of b without paying more; so there is a best cover with fewer than b others. All beyond
 * what those could hold is b, and the rest is sought exactly, a piece more at a time.
 * @returns null where nothing is sold
 */
export function coverBy(wanted: number, offers: readonly Offer[]): Cover | null {
  const sold = offers.filter(({ holds }) => holds > 0);
  if (sold.length === 0 || wanted <= 0) return wanted <= 0 ? { packs: [], holds: 0, priceMinor: 0 } : null;
  const best = sold.reduce((a, b) => (b.priceMinor / b.holds < a.priceMinor / a.holds ? b : a));
  const largest = Math.max(...sold.map(({ holds }) => holds));
  const bulk = sold.length === 1 ? wanted : Math.max(0, wanted - best.holds * largest);
  const first = Math.floor(bulk / best.holds);
  const rest = wanted - first * best.holds;
  // What covers so many at least; an offer that holds more than is left covers it alone.
  const covers: { price: number; holds: number; packs: number; by: number }[] = [
    { price: 0, holds: 0, packs: 0, by: -1 },
  ];
  for (let n = 1; n <= rest; n += 1) {
    let least: (typeof covers)[0] | null = null;
    for (const [by, { holds, priceMinor }] of sold.entries()) {
      const before = covers[Math.max(0, n - holds)]!;
      const one = { price: before.price + priceMinor, holds: before.holds + holds, packs: before.packs + 1, by };
      if (
        !least ||
        one.price < least.price ||
        (one.price === least.price &&
          (one.holds < least.holds || (one.holds === least.holds && one.packs < least.packs)))
      )
        least = one;
    }
    covers.push(least!);
  }
  const counts = sold.map((offer) => (offer === best ? first : 0));
  for (let n = rest; n > 0;) {
    const { by } = covers[n]!;
    counts[by]! += 1;
    n = Math.max(0, n - sold[by]!.holds);
  }
  const packs = sold.map((offer, i) => ({ ...offer, count: counts[i]! })).filter(({ count }) => count > 0);
  return {
    packs,
    holds: packs.reduce((n, { holds, count }) => n + holds * count, 0),
    priceMinor: packs.reduce((n, { priceMinor, count }) => n + priceMinor * count, 0),
  };
}
