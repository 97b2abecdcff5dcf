import { COUNTED_SHELVES, type Calibration, type CountedShelf, type FeedPath } from '@zippy/core';
import type { StoredWorkshop } from '@zippy/core/job-file';
import type { StudioSays } from '../tables/studios.ts';
import type { Count } from '../tables/movements.ts';
import type { Thing, Things } from '../tables/things.ts';

/** A workshop as the database has it. */
export interface WorkshopRows {
  readonly studio: StudioSays;
  readonly things: Things;
  readonly counts: readonly Count[];
}

const thing = (key: readonly string[], { id, ...facts }: { readonly id: string }): Thing => ({
  key: [...key, id],
  facts,
});

/** A workshop as rows, a thing a row, with no key twice; putting these together again gives the same workshop. */
export function takeApart(workshop: StoredWorkshop): WorkshopRows {
  const { studioName, hourlyMinor, pace, stocks, envelopes, trimmings, adhesives, ...others } = workshop;
  const { trimmers, boards, tools, printers, ...settings } = others;
  const uncounted = ({ onShelf: _counted, ...rest }: { readonly id: string; readonly onShelf: number }): Thing =>
    thing([], rest);
  const countsOf = (shelf: CountedShelf): Count[] =>
    workshop[shelf].map(({ id, onShelf }) => ({ shelf, thingId: id, count: onShelf }));
  const paths = printers.flatMap((printer) => printer.paths.map((path) => ({ key: [printer.id], path })));
  return {
    studio: { name: studioName, settings, rates: { hourlyMinor, pace } },
    things: {
      stocks: stocks.map(uncounted),
      envelopes: envelopes.map(uncounted),
      trimmings: trimmings.map(uncounted),
      adhesives: adhesives.map((adhesive) => thing([], adhesive)),
      trimmers: trimmers.map((trimmer) => thing([], trimmer)),
      boards: boards.map((board) => thing([], board)),
      tools: tools.map((tool) => thing([], tool)),
      printers: printers.map(({ paths: _rows, ...printer }) => thing([], printer)),
      feed_paths: paths.map(({ key, path: { calibrations: _rows, ...path } }) => thing(key, path)),
      calibrations: paths.flatMap(({ key, path }) =>
        (path.calibrations ?? []).map((calibration) => thing([...key, path.id], calibration)),
      ),
    },
    counts: COUNTED_SHELVES.flatMap(countsOf),
  };
}

/** The workshop that rows make; what the books have no count of is none on the shelf. */
export function putTogether({ studio, things, counts }: WorkshopRows): StoredWorkshop {
  const counted = new Map(counts.map(({ shelf, thingId, count }) => [`${shelf} ${thingId}`, count]));
  // What rows hold was checked by the schema when they were written.
  const own = <T>({ key, facts }: Thing): T => ({ id: key.at(-1)!, ...facts }) as T;
  const onShelf = (shelf: CountedShelf, { key }: Thing): number => counted.get(`${shelf} ${key[0]!}`) ?? 0;
  const within = (rows: readonly Thing[], key: readonly string[]): readonly Thing[] =>
    rows.filter((row) => key.every((id, at) => row.key[at] === id));
  return {
    studioName: studio.name,
    ...studio.settings,
    ...studio.rates,
    stocks: things.stocks.map((row) => ({
      ...own<StoredWorkshop['stocks'][number]>(row),
      onShelf: onShelf('stocks', row),
    })),
    printers: things.printers.map((printer) => ({
      ...own<StoredWorkshop['printers'][number]>(printer),
      paths: within(things.feed_paths, printer.key).map((path) => {
        const calibrations = within(things.calibrations, path.key).map(own<Calibration>);
        return { ...own<FeedPath>(path), ...(calibrations.length > 0 ? { calibrations } : {}) };
      }),
    })),
    trimmers: things.trimmers.map(own<StoredWorkshop['trimmers'][number]>),
    boards: things.boards.map(own<StoredWorkshop['boards'][number]>),
    tools: things.tools.map(own<StoredWorkshop['tools'][number]>),
    envelopes: things.envelopes.map((row) => ({
      ...own<StoredWorkshop['envelopes'][number]>(row),
      onShelf: onShelf('envelopes', row),
    })),
    trimmings: things.trimmings.map((row) => ({
      ...own<StoredWorkshop['trimmings'][number]>(row),
      onShelf: onShelf('trimmings', row),
    })),
    adhesives: things.adhesives.map(own<StoredWorkshop['adhesives'][number]>),
  };
}
