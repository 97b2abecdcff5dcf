import { expect } from 'chai';
import fc from 'fast-check';
import { roundTogether } from '../../../src/stations/sell/planSell.ts';
import { sayMoney } from '../../../src/ground/money.ts';
import type { FigureValue } from '../../../src/job/findings.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import type { Workshop } from '../../../src/workshop/types.ts';
import { inkedWith, jobWith, plan, sized, workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

describe('planSell', () => {
  const job = jobWith(
    ...sized('flat', 139, 95),
    decide((job) => job.brief, {
      title: 'Seal-pup notelets',
      purpose: 'sell',
      wanted: 120,
      dueDate: null,
      envelope: { kind: 'shelf', envelopeId: 'kraft-note' },
      notes: '',
    }),
    decide((job) => job.sheet.spares, 8),
    decide((job) => job.sell.extras, [{ name: 'Sleeve', perCardMinor: 2 }]),
    decide((job) => job.art.faces.at('front'), { background: '#cfe6e4', picture: null, texts: [] }),
  );

  it('adds up by hand', () => {
    const { sell, sheet, make } = plan(job);
    // 4 up: (120 + 8) ÷ 4 = 32 sheets at 24p, one printed side at 14p, envelopes at 6p, sleeves at 2p.
    expect(sheet.sheets).to.equal(32);
    const part = Object.fromEntries(sell.parts.map((p) => [p.id, p.perCardMinor]));
    expect(part.sheets).to.be.closeTo((32 * 24) / 120, 1e-9);
    expect(part.ink).to.be.closeTo((32 * 14) / 120, 1e-9);
    expect(part.envelope).to.equal(6);
    expect(part.extras).to.equal(2);
    expect(part.time).to.be.closeTo(((make.workMinutes / 60) * 1400) / 120, 1e-9);
    expect(sell.costMinor).to.be.closeTo(
      sell.parts.reduce((sum, p) => sum + p.perCardMinor, 0),
      1e-9,
    );
  });

  it('has workings that give what they stand beside, from nothing but what they show', () => {
    const money = (value: FigureValue): number => {
      if (value.kind === 'money') return value.minor;
      if (value.kind === 'count') return value.count;
      if (value.kind === 'share') return value.share;
      // “£1.5134” in pence; “57.5” and “50 %” as they are.
      const text = (value as { text: string }).text;
      return text.startsWith('£') ? Number(text.slice(1).replaceAll(',', '')) * 100 : Number.parseFloat(text);
    };
    let nudged = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 1, max: 99 }),
        (wanted, packOf, marginPercent, extra) => {
          const { sell } = plan(
            changeJob(job, [
              decide((job) => job.brief.wanted, wanted),
              decide((job) => job.sell.packOf, packOf),
              decide((job) => job.sell.wantedMargin, marginPercent / 100),
              decide((job) => job.sell.extras, [{ name: 'Sleeve', perCardMinor: extra }]),
            ]),
          );
          const shown = (id: string) => {
            const one = sell.figures.find((f) => f.id === id)!;
            const inputs = new Map(one.working.inputs.map(({ label, value }) => [label, money(value)]));
            return { value: money(one.value), sum: one.working.sum, of: (label: string): number => inputs.get(label)! };
          };
          const near = (a: number, b: number): void => void expect(a).to.be.closeTo(b, 0.0051);
          const cost = shown('cost');
          expect(cost.value).to.equal(
            ['Card', 'Printing', 'Envelope', 'Extras', 'Your time'].reduce((sum, label) => sum + cost.of(label), 0),
          );
          const card = shown('cost-sheets');
          near((card.of('Sheets') * card.of('A sheet')) / card.of('Good cards'), card.of('Before rounding'));
          const ink = shown('cost-ink');
          near((ink.of('Printed sides') * ink.of('A side')) / ink.of('Good cards'), ink.of('Before rounding'));
          const time = shown('cost-time');
          near(
            ((time.of('Minutes at work') / 60) * time.of('An hour')) / time.of('Good cards'),
            time.of('Before rounding'),
          );
          for (const part of [card, ink, time]) {
            // To the nearest penny, or the other way where the sentence says so.
            const nearest = Math.floor((Math.round(part.of('Before rounding') * 100) + 50) / 100);
            const other = /not to the nearest/.test(part.sum);
            if (other) nudged += 1;
            expect(Math.abs(part.value - part.of('Before rounding'))).to.be.below(1.01);
            if (!other) expect(part.value).to.equal(nearest);
            else expect(part.value).to.not.equal(nearest);
          }
          const run = shown('run-cost');
          expect(run.value).to.be.closeTo(run.of('Cost before rounding') * run.of('Good cards'), 0.51);
          for (const id of ['single', 'pack']) {
            const one = shown(id);
            const bare = one.of('Cost before rounding') / (1 - one.of('Wanted margin') / 100);
            expect(one.value).to.equal(Math.ceil(bare / 5 - 1e-7) * 5);
            const left = shown(id === 'single' ? 'margin' : 'pack-margin');
            expect(left.value).to.be.closeTo(
              (left.of('Price') - left.of('Cost before rounding')) / left.of('Price'),
              1e-3,
            );
          }
        },
      ),
      { numRuns: runs(80) },
    );
    expect(nudged, 'parts rounded the other way').to.be.above(0);
  });

  it('suggests a price that keeps the wanted margin and is a multiple of 5', () => {
    const { sell } = plan(job);
    expect(sell.singlePriceMinor % 5).to.equal(0);
    expect(sell.margin).to.be.at.least(0.5);
    expect((sell.singlePriceMinor - 5 - sell.costMinor) / (sell.singlePriceMinor - 5)).to.be.below(0.5);
  });

  it('warns of a price under cost, and takes the suggested one as a remedy', () => {
    const cheap = changeJob(job, [decide((job) => job.sell.singlePriceMinor, 10)]);
    const snag = plan(cheap).sell.snags.find((s) => s.id === 'sell-single-loss')!;
    expect(plan(changeJob(cheap, snag.remedies[0]!.changes)).sell.snags.map((s) => s.id)).not.to.include(
      'sell-single-loss',
    );
  });

  it('counts packs by the cards that are sold, not by spares, and offers only what fills them', () => {
    const run = (wanted: number, packOf: number) =>
      changeJob(job, [
        decide((job) => job.brief.wanted, wanted),
        decide((job) => job.sell.packOf, packOf),
        decide((job) => job.sheet.spares, 4),
      ]);
    const waste = (one: ReturnType<typeof run>) => plan(one).sell.snags.find(({ id }) => id === 'sell-pack-waste');
    // 24 are four packs of six, whatever is spare.
    expect(waste(run(24, 6))).to.equal(undefined);
    const odd = waste(run(26, 6))!;
    expect(odd.title).to.equal('Packs of 6 leave 2 of 26 over');
    for (const { label, changes } of odd.remedies)
      expect(waste(changeJob(run(26, 6), changes)), label).to.equal(undefined);
    expect(odd.remedies.map(({ label }) => label)).to.deep.equal(['Make 30 cards']);
    // 25 fill packs of five.
    expect(waste(run(25, 6))!.remedies.map(({ label }) => label)).to.deep.equal(['Sell packs of 5', 'Make 30 cards']);
  });

  it('asks no price of a gift', () => {
    const gift = plan(changeJob(job, [decide((job) => job.brief.purpose, 'give')])).sell;
    expect(gift.figures.map((f) => f.id)).not.to.include('single');
    expect(gift.snags).to.be.empty;
  });

  it('says what has no price yet, the hour of one who sells among it, and nothing else', () => {
    const inked = inkedWith(...sized('flat', 139, 95));
    const noted = (shop: Workshop, purpose: 'give' | 'sell') =>
      plan(changeJob(inked, [decide((job) => job.brief.purpose, purpose)]), shop).sell.snags.find(
        ({ id }) => id === 'sell-unpriced',
      )?.why;
    expect(noted(workshop, 'sell')).to.equal(undefined);
    const free = workshop.stocks.map((stock) => ({ ...stock, sheetPriceMinor: 0, pack: undefined }));
    const unpaid = { ...workshop, stocks: free as Workshop['stocks'], hourlyMinor: 0 };
    const { name } = plan(inked, unpaid).stock.stock;
    expect(noted(unpaid, 'give')).to.match(new RegExp(`^${name} counts as nothing`));
    expect(noted(unpaid, 'sell')).to.match(new RegExp(`^${name} and your hour count as nothing`));
    const unInked = { ...unpaid, printers: workshop.printers.map((printer) => ({ ...printer, sidePriceMinor: 0 })) };
    expect(noted(unInked, 'give')).to.match(/ and printing on the Gull inkjet count as nothing/);
    // A bare card is printed on nothing.
    const bare = plan(
      jobWith(
        ...sized('flat', 139, 95),
        decide((job) => job.brief.purpose, 'give'),
      ),
      unInked,
    ).sell.snags;
    expect(bare.find(({ id }) => id === 'sell-unpriced')!.why).to.not.contain('printing');
  });

  it('counts layers, their printing, a second side and a made envelope, by hand', () => {
    const shop = {
      ...workshop,
      stocks: workshop.stocks.map((stock) => (stock.id === 'reed-120-a4' ? { ...stock, sheetPriceMinor: 11 } : stock)),
    };
    const picture = { pictureId: 'p', fit: 'fill', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false } as const;
    const layered = changeJob(job, [
      decide(
        (job) => job.size.layers,
        [{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'], picture }],
      ),
      decide((job) => job.art.faces.at('back'), { background: '#cfe6e4', picture: null, texts: [] }),
      decide((job) => job.pictures, {
        p: { name: 'p', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 900, heightPx: 900 },
      }),
      decide((job) => job.envelope.make, true),
      decide((job) => job.envelope.stockId, 'reed-120-a4'),
    ]);
    const { sell, sheet, envelope } = plan(layered, shop);
    const [layer] = sheet.layers;
    expect([sheet.sides.length, layer!.print !== null, envelope.up > 0]).to.deep.equal([2, true, true]);
    const part = Object.fromEntries(sell.parts.map((p) => [p.id, p.perCardMinor]));
    // 128 mats at so many to a sheet of 11p; each sheet of card is printed twice and each of mats once.
    expect(layer!.sheets).to.equal(Math.ceil(128 / layer!.up));
    expect(part.layers).to.be.closeTo((layer!.sheets * 11) / 120, 1e-9);
    const side = layer!.print!.printer.sidePriceMinor;
    expect(part.ink).to.be.closeTo((32 * 2 * 14 + layer!.sheets * side) / 120, 1e-9);
    expect(part.envelope).to.be.closeTo((Math.ceil(120 / envelope.up) * 11) / 120, 1e-9);
    const figure = (id: string) => sell.figures.find((f) => f.id === id)!.working;
    expect(figure('cost').sum).to.match(/layers/);
    expect(figure('cost').inputs.map(({ label }) => label)).to.include('Layers');
    expect(figure('cost-ink').sum).to.match(/layers/);
    expect(figure('cost-ink').inputs.map(({ label }) => label)).to.include('Printing of layers');
    expect(figure('cost-envelope').inputs.map(({ label }) => label)).to.include('Good cards');
    const bare = plan(job).sell.figures;
    for (const id of ['cost', 'cost-ink']) expect(bare.find((f) => f.id === id)!.working.sum).to.not.match(/layers/);
    expect(plan(job).sell.parts.map(({ id }) => id)).to.not.include('layers');
  });

  it('says what a price leaves or loses, whether typed or suggested, and nothing before a card fits', () => {
    const at = (...changes: readonly JobChange[]) => plan(changeJob(job, changes)).sell;
    const typed = (price: number) => at(decide((job) => job.sell.singlePriceMinor, price));
    const cost = at().costMinor;
    const even = Math.round(cost);
    expect(typed(even + 50).verdict).to.match(/leaves \d+ %/);
    expect(typed(even - 10).verdict).to.contain(
      `loses ${sayMoney(Math.floor(cost - (even - 10) + 0.5), { currency: 'GBP' })}`,
    );
    expect(typed(even + 50).telling).to.contain(`${Math.round(((even + 50 - cost) / (even + 50)) * 100)} %`);
    // Half a penny under is nothing that anybody could pay; a penny is a loss.
    const loss = (price: number): boolean => typed(price).snags.some(({ id }) => id === 'sell-single-loss');
    expect([loss(Math.ceil(cost)), loss(Math.floor(cost - 0.5))]).to.deep.equal([false, true]);
    expect(typed(0).margin).to.equal(-1);
    const sumOf = (sell: ReturnType<typeof at>, id: string) => sell.figures.find((f) => f.id === id)!.working;
    expect(sumOf(typed(200), 'single').sum).to.equal('as typed');
    expect(sumOf(at(), 'single').sum).to.not.equal('as typed');
    expect(sumOf(at(decide((job) => job.sell.packPriceMinor, 900)), 'pack').sum).to.equal('as typed');
    expect(sumOf(at(), 'pack').inputs.map(({ label }) => label)).to.include('Wanted margin');
    const huge = at(decide((job) => job.size.finishedWidthMm, 900));
    expect([huge.verdict, huge.telling]).to.deep.equal([
      'Nothing is priced until a card fits on the sheet.',
      'not yet',
    ]);
    const gift = at(decide((job) => job.brief.purpose, 'give'));
    expect(gift.telling).to.match(/ each$/);
    expect(
      at(decide((job) => job.brief.envelope, { kind: 'none' })).parts.find(({ id }) => id === 'envelope')!.perCardMinor,
    ).to.equal(0);
  });

  it('offers the pack nearest in size that leaves nothing over', () => {
    const waste = (wanted: number, packOf: number) =>
      plan(
        changeJob(job, [decide((job) => job.brief.wanted, wanted), decide((job) => job.sell.packOf, packOf)]),
      ).sell.snags.find(({ id }) => id === 'sell-pack-waste');
    const packs = (wanted: number, packOf: number): readonly string[] =>
      waste(wanted, packOf)!
        .remedies.map(({ label }) => label)
        .filter((label) => label.startsWith('Sell'));
    // 28 in packs of 6: 7 is nearer than 4, and both fill; 14 and 28 are more than half as large again.
    expect(packs(28, 6)).to.deep.equal(['Sell packs of 7']);
    // 8 in packs of 5: 4 is one off; 8 is more than half of 5 away.
    expect(packs(8, 5)).to.deep.equal(['Sell packs of 4']);
    // 9 in packs of 6: 9 and 3 are just half of 6 away, and the smaller was met first.
    expect(packs(9, 6)).to.deep.equal(['Sell packs of 3']);
    // A prime number of cards fills no pack but itself, which is too far off.
    expect(packs(31, 6)).to.deep.equal([]);
    expect(waste(28, 6)!.why).to.match(/^28 good cards fill 4 packs;/);
    expect(waste(7, 6)!.why).to.match(/^7 good cards fill 1 pack;/);
    expect(waste(7, 1)).to.equal(undefined);
  });
});

describe('roundTogether', () => {
  it('gives the odd units to those that lost most', () => {
    // 1.6 + 2.5 + 0.9 = 5: down to 1, 2 and 0, and two are given back, to 0.9 and 1.6.
    expect(roundTogether([1.6, 2.5, 0.9])).to.deep.equal([2, 2, 1]);
    expect(roundTogether([10.2, 3.7, 7.1])).to.deep.equal([10, 4, 7]);
  });

  it('adds up to the rounded total, each part within one', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 1, maxLength: 8 }), (amounts) => {
        const rounded = roundTogether(amounts);
        expect(rounded.reduce((a, b) => a + b, 0)).to.equal(Math.round(amounts.reduce((a, b) => a + b, 0)));
        rounded.forEach((minor, i) => expect(Math.abs(minor - amounts[i]!)).to.be.below(1 + 1e-9));
      }),
    );
  });
});
