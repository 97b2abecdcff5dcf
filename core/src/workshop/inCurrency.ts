import { sameFigure, type Minor } from '../ground/money.ts';
import { adhesivesOf, trimmingsOf } from './putOn.ts';
import type { Workshop } from './types.ts';

/**
 * A workshop that is paid in another currency: every price keeps the figure that stands on its tag, so 12.50 pounds are
 * 12.50 dollars, and 13 yen. Nothing is exchanged.
 */
export function inCurrency(workshop: Workshop, currency: string): Workshop {
  const same = (minor: Minor): Minor => sameFigure(minor, workshop.currency, currency);
  return {
    ...workshop,
    currency,
    hourlyMinor: same(workshop.hourlyMinor),
    stocks: workshop.stocks.map((stock) => ({
      ...stock,
      sheetPriceMinor: same(stock.sheetPriceMinor),
      ...(stock.alsoSoldAs
        ? { alsoSoldAs: stock.alsoSoldAs.map((pack) => ({ ...pack, priceMinor: same(pack.priceMinor) })) }
        : {}),
      ...(stock.pack ? { pack: { ...stock.pack, priceMinor: same(stock.pack.priceMinor) } } : {}),
    })),
    printers: workshop.printers.map((printer) => ({ ...printer, sidePriceMinor: same(printer.sidePriceMinor) })),
    envelopes: workshop.envelopes.map((envelope) => ({ ...envelope, priceMinor: same(envelope.priceMinor) })),
    trimmings: trimmingsOf(workshop).map(packedAt(same)),
    adhesives: adhesivesOf(workshop).map(packedAt(same)),
    ...(workshop.post
      ? {
          post: {
            bands: workshop.post.bands.map((band) => ({ ...band, priceMinor: same(band.priceMinor) })),
            extras: Object.fromEntries(
              Object.entries(workshop.post.extras).map(([extra, minor]) => [extra, same(minor)]),
            ),
          },
        }
      : {}),
  };
}

/** A thing that is bought by the pack, at another price. */
const packedAt =
  (price: (minor: Minor) => Minor) =>
  <T extends { readonly pack: { readonly priceMinor: Minor } }>(thing: T): T => ({
    ...thing,
    pack: { ...thing.pack, priceMinor: price(thing.pack.priceMinor) },
  });
