import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../src/job/changeJob.ts';
import { decide } from '../../src/job/decide.ts';
import { coverBy, type Offer } from '../../src/shelf/coverBy.ts';
import { keepBooks } from '../../src/shelf/keepBooks.ts';
import { lotsByRun, lotsOfRun } from '../../src/shelf/lotsOfRun.ts';
import { buyingCsv, buyingList, sayPacks } from '../../src/shelf/buyingList.ts';
import { needsOf, type JobNeeds, type Need } from '../../src/shelf/needs.ts';
import { offcutOf } from '../../src/shelf/offcutOf.ts';
import { takenByRun, takenFor, takesOf } from '../../src/shelf/takes.ts';
import type { Take } from '../../src/workshop/counted.ts';
import { byThing, type Movement } from '../../src/shelf/types.ts';
import { sayDay } from '../../src/job/figures.ts';
import type { RunEvent } from '../../src/stations/make/run.ts';
import { inkedWith, jobWith, plan, sized, workshop } from '../support.ts';

const moved = (n: number, change: number, part: Partial<Movement> = {}): Movement => ({
  ...{ id: `m${n}`, shelf: 'stocks', thingId: 'shell', change, priceMinor: null, lot: null, note: null, runId: null },
  ...{ cause: change > 0 ? 'bought' : 'made', at: `2026-03-${String(n).padStart(2, '0')}T10:00:00Z` },
  ...part,
});

describe('books of a shelf', () => {
  it('take what came first: two lots and a run over both, worked by hand', () => {
    // 50 for £12.00 are 24p each, 100 for £26.00 are 26p; 70 take all of the first and 20 of the second: 1200 + 520.
    const books = keepBooks([
      moved(1, 50, { priceMinor: 1200, lot: 'A' }),
      moved(5, 100, { priceMinor: 2600, lot: 'B' }),
      moved(9, -70),
    ]);
    expect(books.count).to.equal(80);
    expect(books.lots.map(({ lot, left, eachMinor }) => [lot, left, eachMinor])).to.deep.equal([['B', 80, 26]]);
    expect(books.cost).to.deep.equal({ m9: 1720 });
    expect(books.from.m9!.map(({ lot, count }) => [lot, count])).to.deep.equal([
      ['A', 50],
      ['B', 20],
    ]);
    expect(books.countedAt).to.equal(null);
  });

  it('say nothing of a cost that nobody told, and remember when they were counted', () => {
    const books = keepBooks([moved(1, 10, { cause: 'opening' }), moved(2, 5, { priceMinor: 100 }), moved(3, -12)]);
    expect(books.cost).to.deep.equal({ m3: null });
    expect(books.countedAt).to.equal('2026-03-01T10:00:00Z');
    expect(keepBooks([moved(4, -2, { cause: 'counted' })]).countedAt).to.equal('2026-03-04T10:00:00Z');
  });

  it('balance after any movements in any order: the count is their sum, and the lots are the count', () => {
    const any = fc.array(
      fc.record({
        change: fc.integer({ min: -40, max: 60 }),
        day: fc.integer({ min: 1, max: 28 }),
        priceMinor: fc.option(fc.integer({ min: 0, max: 9000 }), { nil: null }),
      }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(any, fc.func(fc.integer()), (list, shuffle) => {
        const all = list.map(({ change, day, priceMinor }, i) => ({
          ...moved(day, change, { priceMinor: change > 0 ? priceMinor : null }),
          id: `m${i}`,
        }));
        const books = keepBooks(all);
        expect(books.count).to.equal(all.reduce((sum, { change }) => sum + change, 0));
        const left = books.lots.reduce((sum, lot) => sum + lot.left, 0);
        // What is owed is owed by no lot.
        expect(left).to.equal(Math.max(0, books.count));
        expect(books.lots.every((lot) => lot.left > 0)).to.equal(true);
        // What came is there, has gone from its lot, or made up what was owed.
        const came = all.reduce((sum, { change }) => sum + Math.max(0, change), 0);
        const gone = Object.values(books.from).reduce((sum, parts) => sum + parts.reduce((n, p) => n + p.count, 0), 0);
        expect(gone + left).to.be.at.most(came);
        if (!goesUnder(all)) expect(gone + left).to.equal(came);
        const other = [...all].sort((a, b) => Number(shuffle(a.id)) - Number(shuffle(b.id)));
        expect(keepBooks(other)).to.deep.equal(books);
        // Money is neither made nor lost where all of it is told and nothing is owed on the way.
        if (all.every(({ change, priceMinor }) => change <= 0 || priceMinor !== null) && !goesUnder(all)) {
          const paid = all.reduce((sum, { priceMinor }) => sum + (priceMinor ?? 0), 0);
          const spent = Object.values(books.cost).reduce<number>((sum, c) => sum + c!, 0);
          const stays = books.lots.reduce((sum, lot) => sum + lot.left * lot.eachMinor!, 0);
          expect(spent + stays).to.be.closeTo(paid, 1e-6);
        }
      }),
      { numRuns: 200 },
    );
  });
});

describe('the lots of a run', () => {
  it('are told by name, good and spoiled together, and of things that have one', () => {
    const [sheet, other] = workshop.stocks as [(typeof workshop.stocks)[0], (typeof workshop.stocks)[0]];
    const of = (thingId: string, list: readonly Movement[]): readonly Movement[] =>
      list.map((one) => ({ ...one, id: `${thingId} ${one.id}`, thingId }));
    const lots = lotsByRun(
      byThing([
        // Two bought without a name, then a named pack; the run takes 9 for good cards and 3 for spoiled ones.
        ...of(sheet.id, [
          moved(1, 2),
          moved(3, 50, { lot: 'K7' }),
          moved(6, -9, { runId: 'run' }),
          moved(7, -3, { runId: 'run', cause: 'spoiled' }),
          moved(8, -5, { runId: 'another' }),
        ]),
        ...of(other.id, [moved(2, 40), moved(6, -4, { runId: 'run' })]),
      ]),
    );
    expect(lotsOfRun('run', lots, workshop)).to.deep.equal([
      {
        ...{ shelf: 'stocks', thingId: sheet.id },
        said: `${sheet.name}: 2 that came ${sayDay('2026-03-01', workshop.region)}, 10 of lot K7.`,
      },
    ]);
    expect(lotsOfRun('another', lots, workshop).map(({ said }) => said)).to.deep.equal([`${sheet.name}: 5 of lot K7.`]);
    expect(lotsOfRun('a run that took nothing', lots, workshop)).to.deep.equal([]);
  });
});

function goesUnder(all: readonly Movement[]): boolean {
  let sum = 0;
  return [...all]
    .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1))
    .some(({ change }) => (sum += change) < 0);
}

describe('what to buy', () => {
  it('is the cheapest whole packs, and the least left over of those', () => {
    const packs = [
      { holds: 10, priceMinor: 300 },
      { holds: 50, priceMinor: 1000 },
    ];
    // 12: two tens at £6.00; 45: fifty at £10.00 beats five tens at £15.00; 60: fifty and a ten.
    expect(coverBy(12, packs)).to.deep.include({ holds: 20, priceMinor: 600 });
    expect(coverBy(45, packs)).to.deep.include({ holds: 50, priceMinor: 1000 });
    expect(coverBy(60, packs)!.packs.map(({ holds, count }) => [holds, count])).to.deep.equal([
      [10, 1],
      [50, 1],
    ]);
    expect(coverBy(0, packs)).to.deep.equal({ packs: [], holds: 0, priceMinor: 0 });
    expect(coverBy(3, [])).to.equal(null);
    // As dear, but less over.
    expect(
      coverBy(20, [
        { holds: 25, priceMinor: 500 },
        { holds: 20, priceMinor: 500 },
      ])!.holds,
    ).to.equal(20);
  });

  it('costs no more than any other packs would: every one of them tried', () => {
    const offer = fc.record({ holds: fc.integer({ min: 1, max: 12 }), priceMinor: fc.integer({ min: 1, max: 60 }) });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 90 }),
        fc.array(offer, { minLength: 1, maxLength: 3 }),
        (wanted, offers) => {
          const cheapest = (left: number, from: number): number => {
            if (left <= 0) return 0;
            if (from === offers.length) return Infinity;
            const { holds, priceMinor } = offers[from]!;
            let least = Infinity;
            for (let n = 0; n <= Math.ceil(left / holds); n += 1)
              least = Math.min(least, n * priceMinor + cheapest(left - n * holds, from + 1));
            return least;
          };
          const cover = coverBy(wanted, offers)!;
          expect(cover.priceMinor).to.equal(cheapest(wanted, 0));
          expect(cover.holds).to.be.at.least(wanted);
        },
      ),
      { numRuns: 120 },
    );
  });

  it('is found as well for very many', () => {
    const packs: readonly Offer[] = [
      { holds: 7, priceMinor: 100 },
      { holds: 500, priceMinor: 5000 },
    ];
    const cover = coverBy(900_003, packs)!;
    expect(cover.packs.find(({ holds }) => holds === 500)!.count).to.be.within(1799, 1801);
    expect(cover.priceMinor).to.equal(1800 * 5000 + 100);
  });
});

describe('what cards take', () => {
  const job = inkedWith(
    ...sized('sideFold', 96, 136),
    decide((job) => job.brief.wanted, 20),
    decide((job) => job.sheet.spares, 2),
  );

  it('is the sheets that are planned, and what is on each card', () => {
    const decked = {
      ...job,
      trimmings: [{ id: 'a', trimmingId: 'sea-gem', faceId: 'front', xMm: 20, yMm: 60, adhesiveId: null }],
    };
    const planned = plan(decked);
    const takes = takesOf(decked, planned);
    const sheets = takes.find(({ shelf }) => shelf === 'stocks')!;
    expect(takenFor(sheets, 22)).to.equal(planned.sheet.sheets);
    expect(takenFor(sheets, 22)).to.equal(11);
    expect(takenFor(sheets, 1)).to.equal(1);
    expect(takes.find(({ thingId }) => thingId === 'sea-gem')!.per).to.deep.equal({ kind: 'card', count: 1 });
  });

  it('names the envelope that is on the shelf, unless one is made', () => {
    const bought = jobWith(
      decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: 'teal-quay' }),
      decide((job) => job.envelope.make, false),
    );
    const shelves = (of: typeof bought) => takesOf(of, plan(of)).map(({ shelf }) => shelf);
    expect(shelves(bought)).to.include('envelopes');
    expect(shelves({ ...bought, envelope: { ...bought.envelope, make: true } })).to.not.include('envelopes');
  });

  it('is of a run: paper for spoiled cards too, and nothing else', () => {
    const takes: readonly Take[] = [
      { shelf: 'stocks', thingId: 'shell', per: { kind: 'sheet', cards: 2 } },
      { shelf: 'envelopes', thingId: 'teal', per: { kind: 'card', count: 1 } },
      { shelf: 'trimmings', thingId: 'gem', per: { kind: 'card', count: 2 } },
    ];
    const press = (kind: RunEvent['kind'], cards: number, part: Partial<RunEvent> = {}): RunEvent => ({
      ...{ id: `${kind}${cards}`, kind, cards, cause: null, stepId: null, undoes: null, at: null },
      ...part,
    });
    // Seven good are four sheets; with two spoiled nine cards are five: one more.
    const events = [press('good', 7), press('spoiled', 2), press('good', 3), press('undo', 1, { undoes: 'good3' })];
    expect(takenByRun({ document: job, events, takes })).to.deep.equal([
      { shelf: 'stocks', thingId: 'shell', made: 4, spoiled: 1 },
      { shelf: 'envelopes', thingId: 'teal', made: 7, spoiled: 0 },
      { shelf: 'trimmings', thingId: 'gem', made: 14, spoiled: 0 },
    ]);
  });
});

describe('what is short', () => {
  const job = (jobId: string, dueDate: string | null, wanted: number, part: Partial<JobNeeds> = {}): JobNeeds => ({
    ...{ jobId, title: jobId, dueDate, wanted, spares: 0, finishedGood: 0, onBench: false },
    takes: [{ shelf: 'stocks', thingId: 'shell', per: { kind: 'sheet', cards: 2 } }],
    ...part,
  });
  const has = (n: number) => new Map([['stocks shell', n]]);

  it('is found in the order of the days: the first job that the shelf no longer covers', () => {
    const [need] = needsOf(
      [job('late', '2026-05-01', 20), job('none', null, 8), job('soon', '2026-04-01', 10)],
      has(12),
    );
    // 5, 10 and 4 sheets: after the first 7 are left, and the second wants 10.
    expect(need).to.deep.include({ needed: 19, short: 7, by: '2026-05-01', reserved: 0 });
    expect(need!.jobs.map(({ jobId }) => jobId)).to.deep.equal(['soon', 'late', 'none']);
    expect(needsOf([job('soon', '2026-04-01', 10)], has(5))[0]).to.deep.include({ short: 0, by: null });
  });

  it('gives spare cards paper, and no envelope', () => {
    const takes: readonly Take[] = [
      { shelf: 'stocks', thingId: 'shell', per: { kind: 'sheet', cards: 2 } },
      { shelf: 'envelopes', thingId: 'teal', per: { kind: 'card', count: 1 } },
    ];
    const needs = needsOf([job('soon', null, 10, { spares: 3, takes, finishedGood: 2 })], new Map());
    // Eight cards and three spares are six sheets.
    expect(needs.map(({ thingId, needed }) => [thingId, needed])).to.deep.equal([
      ['shell', 6],
      ['teal', 8],
    ]);
  });

  it('keeps first what runs on the bench take, and forgets what is made', () => {
    const bench = job('bench', '2026-09-01', 12, { onBench: true, finishedGood: 4 });
    const [need] = needsOf([job('soon', '2026-04-01', 10), bench, job('done', null, 5, { finishedGood: 6 })], has(4));
    expect(need!.jobs.map(({ jobId, count }) => [jobId, count])).to.deep.equal([
      ['bench', 4],
      ['soon', 5],
    ]);
    expect(need).to.deep.include({ reserved: 4, short: 5, by: '2026-04-01' });
  });
});

describe('the list to buy by', () => {
  const shop = {
    ...workshop,
    stocks: workshop.stocks.map((stock, i) =>
      i === 0
        ? {
            ...stock,
            name: '=Shell',
            pack: { sheets: 50, priceMinor: 1200 },
            alsoSoldAs: [{ sheets: 10, priceMinor: 300 }],
          }
        : stock,
    ),
  };
  const { id: thingId } = shop.stocks[0]!;
  const need: Need = {
    ...{ shelf: 'stocks', thingId, onShelf: 4, needed: 64, reserved: 0, short: 60, by: '2026-05-01' },
    jobs: [{ jobId: 'j', title: 'Regatta', dueDate: '2026-05-01', count: 64, onBench: false }],
  };

  it('names the packs, what they cost together, and for which job', () => {
    const [row] = buyingList([need, { ...need, thingId: 'gone' }, { ...need, short: 0 }], shop);
    expect(buyingList([need, { ...need, thingId: 'gone' }, { ...need, short: 0 }], shop)).to.have.length(1);
    expect(sayPacks(row!.cover!)).to.equal('1 × 50 + 1 × 10');
    expect(row!.cover!.priceMinor).to.equal(1500);
  });

  it('is a table that a spreadsheet takes for words and figures, never for a sum', () => {
    const csv = buyingCsv(buyingList([need], shop), { currency: 'GBP' });
    const [head, line] = csv.split('\r\n');
    expect(head).to.equal('What,On the shelf,Needed,Short,By,Buy,That is,Price GBP,For');
    expect(line).to.equal(`"'=Shell",4,64,60,2026-05-01,1 × 50 + 1 × 10,60,15.00,Regatta: 64`);
    expect(buyingCsv(buyingList([need], shop), { currency: 'JPY' })).to.contain(',1500,');
  });

  it('has no price for what nobody has priced', () => {
    const free = {
      ...shop,
      stocks: shop.stocks.map(({ pack: _, alsoSoldAs: __, ...stock }) => ({ ...stock, sheetPriceMinor: 0 })),
    };
    expect(buyingList([need], free)[0]!.cover).to.equal(null);
  });
});

describe('offcuts', () => {
  const shell = workshop.stocks.find(({ id }) => id === 'shell-300-a4')!;

  it('are the same card with its fibres as they ran, and never have a price', () => {
    // A long-grained A4 has its fibres down its 297 mm; a strip 210 wide and 100 high has them across its long side.
    const strip = offcutOf({ ...shell, pack: { sheets: 50, priceMinor: 1200 } }, 210, 100, 'mm');
    expect(strip).to.include({ grain: 'short', sheetPriceMinor: 0, onShelf: 0, offcutOf: shell.id, gsm: shell.gsm });
    expect(strip).to.not.have.any.keys('pack', 'id');
    expect(strip.name).to.match(/offcut 210 × 100 mm$/);
    expect(offcutOf(shell, 100, 297, 'mm').grain).to.equal('long');
    expect(offcutOf({ ...strip, id: 'x' }, 50, 90, 'mm').offcutOf).to.equal(shell.id);
    expect(offcutOf({ ...shell, name: 'N'.repeat(80) }, 100, 297, 'mm').name.length).to.be.at.most(80);
  });

  it('are offered first where all cards come out of them, and only then', () => {
    const job = inkedWith(
      ...sized('flat', 80, 60),
      decide((job) => job.stock.stockId, shell.id),
      decide((job) => job.brief.wanted, 8),
      decide((job) => job.sheet.spares, 0),
    );
    const withOffcuts = (onShelf: number, widthMm = 210) => ({
      ...workshop,
      stocks: [...workshop.stocks, { ...offcutOf(shell, widthMm, 100, 'mm'), id: 'left', onShelf }],
    });
    const said = (onShelf: number, widthMm?: number) =>
      plan(job, withOffcuts(onShelf, widthMm)).sheet.snags.find(({ id }) => id === 'sheet-offcuts');
    const { remedies } = said(3)!;
    expect(remedies[0]!.label).to.match(/^Use 3 of 3 .* 3 up$/);
    const then = plan(changeJob(job, remedies[0]!.changes), withOffcuts(3)).sheet;
    expect([then.up, then.sheets]).to.deep.equal([3, 3]);
    expect(said(2)).to.equal(undefined);
    expect(said(0)).to.equal(undefined);
    expect(said(50, 45)).to.equal(undefined);
  });
});
