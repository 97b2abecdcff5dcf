import { sameFigure, type Minor } from '../ground/money.ts';
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
      ...(stock.pack ? { pack: { ...stock.pack, priceMinor: same(stock.pack.priceMinor) } } : {}),
    })),
    printers: workshop.printers.map((printer) => ({ ...printer, sidePriceMinor: same(printer.sidePriceMinor) })),
    envelopes: workshop.envelopes.map((envelope) => ({ ...envelope, priceMinor: same(envelope.priceMinor) })),
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
