import Papa from 'papaparse';
import { priceFigure } from '../ground/money.ts';
import { thingKey, type CountedShelf, type ThingRef } from '../workshop/counted.ts';
import { trimmingsOf } from '../workshop/putOn.ts';
import type { Workshop } from '../workshop/types.ts';
import { coverBy, type Cover, type Offer } from './coverBy.ts';
import type { Need } from './needs.ts';

/** A thing on a counted shelf, as far as the shelf asks. */
export interface Counted extends ThingRef {
  readonly name: string;
  readonly onShelf: number;
  /** What one of it is called. */
  readonly one: string;
  /** As it is sold. */
  readonly offers: readonly Offer[];
}

/** Everything that is counted, in the order of its shelf. */
export function countedOf(workshop: Workshop): readonly Counted[] {
  const on = (
    shelf: CountedShelf,
    thing: { readonly id: string; readonly name: string; readonly onShelf: number },
  ) => ({
    ...{ shelf, thingId: thing.id, name: thing.name, onShelf: thing.onShelf },
  });
  return [
    ...workshop.stocks.map((stock): Counted => ({
      ...on('stocks', stock),
      one: stock.readyCut ? 'card' : 'sheet',
      offers: offersOf([
        ...(stock.pack
          ? [{ holds: stock.pack.sheets, priceMinor: stock.pack.priceMinor }]
          : [{ holds: 1, priceMinor: stock.sheetPriceMinor }]),
        ...(stock.alsoSoldAs ?? []).map(({ sheets, priceMinor }) => ({ holds: sheets, priceMinor })),
      ]),
    })),
    ...workshop.envelopes.map((envelope): Counted => ({
      ...on('envelopes', envelope),
      one: 'envelope',
      offers: offersOf([{ holds: 1, priceMinor: envelope.priceMinor }]),
    })),
    ...trimmingsOf(workshop).map((trimming): Counted => ({
      ...on('trimmings', trimming),
      one: 'piece',
      offers: offersOf([{ holds: trimming.pack.pieces, priceMinor: trimming.pack.priceMinor }]),
    })),
  ];
}

/** What has no price is not for sale: an offcut, or what nobody has priced yet. */
const offersOf = (offers: readonly Offer[]): readonly Offer[] => offers.filter(({ priceMinor }) => priceMinor > 0);

/** What runs short, and how to buy it. */
export interface ToBuy {
  readonly thing: Counted;
  readonly need: Need;
  /** Null where no price of it is known. */
  readonly cover: Cover | null;
}

/** What is short, the soonest first, what has no day last. */
export function buyingList(needs: readonly Need[], workshop: Workshop): readonly ToBuy[] {
  const things = new Map(countedOf(workshop).map((thing) => [thingKey(thing), thing]));
  return needs
    .filter(({ short }) => short > 0)
    .flatMap((need): readonly ToBuy[] => {
      const thing = things.get(thingKey(need));
      return thing ? [{ thing, need, cover: coverBy(need.short, thing.offers) }] : [];
    })
    .sort((a, b) => ((a.need.by ?? '9') < (b.need.by ?? '9') ? -1 : 1));
}

/** 2 packs of 50 and 1 of 10. */
export const sayPacks = ({ packs }: Cover): string =>
  packs.map(({ holds, count }) => (holds === 1 ? `${count} single` : `${count} × ${holds}`)).join(' + ');

/** The list as a table that any spreadsheet opens; money in its main unit. */
export function buyingCsv(list: readonly ToBuy[], { currency }: Pick<Workshop, 'currency'>): string {
  return Papa.unparse(
    {
      fields: ['What', 'On the shelf', 'Needed', 'Short', 'By', 'Buy', 'That is', `Price ${currency}`, 'For'],
      data: list.map(({ thing, need, cover }) => [
        ...[thing.name, need.onShelf, need.needed, need.short, need.by ?? ''],
        ...(cover ? [sayPacks(cover), cover.holds, priceFigure(cover.priceMinor, currency)] : ['', '', '']),
        need.jobs.map(({ title, count }) => `${title}: ${count}`).join('; '),
      ]),
    },
    { escapeFormulae: true },
  );
}
