import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { NO_TRIMMINGS } from '../../../src/stations/size/trimmings.ts';
import type { PostBand, Tariff, Workshop } from '../../../src/workshop/types.ts';
import { inCurrency } from '../../../src/workshop/inCurrency.ts';
import { packUp, postedAs, postSavings, type Packed } from '../../../src/stations/envelope/posted.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';
import { shoelace } from './byHand.ts';

const band = (
  name: string,
  upToGrams: number,
  long: number,
  short: number,
  thick: number,
  priceMinor: number,
): PostBand => ({
  ...{ id: name, name, upToGrams, upToLongMm: long, upToShortMm: short, upToThickMm: thick, priceMinor },
});
const TARIFF: Tariff = {
  bands: [
    band('slip', 20, 160, 120, 1, 60),
    band('letter', 100, 240, 165, 5, 100),
    band('parcel', 2000, 600, 400, 100, 400),
  ],
  extras: { square: 40, stiff: 25 },
};
const packed = (part: Partial<Packed> = {}): Packed => ({
  ...{ parts: [], grams: 15, longMm: 150, shortMm: 110, thickMm: 0.9, extras: [] },
  ...part,
});

describe('what is posted', () => {
  const posting = (...changes: readonly JobChange[]) => jobWith(...sized('sideFold', 96, 136), ...changes);

  it('weighs what its pieces do: area × weight, a made envelope by its own outline', () => {
    const job = posting(
      decide((job) => job.stock.stockId, 'shell-300-a4'),
      decide((job) => job.envelope, {
        ...{ make: true, stockId: 'reed-120-a4', easeMm: 4, seamMm: 18, flapMm: null },
        liner: { stockId: 'reed-120-a4', insetMm: 3 },
      }),
    );
    const { envelope } = plan(job);
    const grams = Object.fromEntries(envelope.packed.parts.map(({ name, grams }) => [name, grams]));
    // 192 × 136 mm of 300 g/m².
    expect(grams.Card).to.be.closeTo(0.192 * 0.136 * 300, 1e-9);
    expect(grams.Envelope).to.be.closeTo((shoelace(envelope.blank.outline) / 1e6) * 120, 1e-9);
    expect(grams.Liner).to.be.closeTo((shoelace(envelope.liner!.blank.outline) / 1e6) * 120, 1e-9);
    expect(envelope.packed.grams).to.be.closeTo(grams.Card! + grams.Envelope! + grams.Liner!, 1e-9);
  });

  it('is as thick as the shut card between both sides of its envelope, or as high as its walls', () => {
    const thick = (style: 'sideSeam' | 'deep') => {
      const { envelope, size } = plan(
        posting(
          decide((job) => job.envelope.make, true),
          decide((job) => job.envelope.style, style),
        ),
      );
      return [envelope.packed.thickMm, size.thicknessMm, envelope.stock.caliperMicron / 1000, envelope.depthMm];
    };
    const [flat, card, wall] = thick('sideSeam');
    expect(flat).to.be.closeTo(card! + 2 * wall!, 1e-9);
    const [walled, , side, depth] = thick('deep');
    expect(walled).to.be.closeTo(depth! + 2 * side!, 1e-9);
  });

  it('without a hole where one is cut, and with what says that it is see-through', () => {
    const base = { outline: [], widthMm: 100, heightMm: 100, creases: [], cuts: [] };
    const square = (a: number, b: number) => [
      { xMm: a, yMm: a },
      { xMm: b, yMm: a },
      { xMm: b, yMm: b },
      { xMm: a, yMm: b },
    ];
    const cut = { id: 'w', kind: 'window', name: 'Window', points: square(10, 60) } as const;
    const hand = { title: '', says: '', tool: 'knife' } as const;
    const stock = workshop.stocks[0]!;
    const { parts, extras } = packUp({
      contentGrams: 0,
      card: {
        blank: { ...base, outline: square(0, 100), cuts: [{ ...cut, byHand: hand }] },
        stock,
        thickMm: 1,
        widthMm: 100,
        heightMm: 100,
      },
      ...{ layers: [], trimmings: NO_TRIMMINGS, ribbon: null, envelope: null, liner: null },
      says: { stiff: false, lumpy: true, transparent: true },
    });
    expect(parts[0]!.grams).to.be.closeTo(((10_000 - 2500) * stock.gsm) / 1e6, 1e-9);
    expect(extras).to.deep.equal(['square', 'lumpy', 'transparent']);
  });

  it('goes by the cheapest band that takes it all, and pays more for its shape', () => {
    expect(postedAs(packed(), TARIFF)).to.deep.include({ priceMinor: 60, extraMinor: 0 });
    expect(postedAs(packed({ grams: 21 }), TARIFF)!.band.name).to.equal('letter');
    expect(postedAs(packed({ thickMm: 5.5 }), TARIFF)!.priceMinor).to.equal(400);
    expect(postedAs(packed({ extras: ['square', 'stiff', 'lumpy'] }), TARIFF)!.priceMinor).to.equal(125);
    expect(postedAs(packed({ longMm: 700 }), TARIFF)).to.equal(null);
  });

  it('would be cheaper by what it says, with that much less of one thing', () => {
    expect(postSavings(packed({ thickMm: 1.6 }), TARIFF)).to.deep.equal([
      { of: 'thickMm', by: 1.6 - 1, savesMinor: 40 },
    ]);
    expect(postSavings(packed({ thickMm: 1.6, grams: 30 }), TARIFF)).to.deep.equal([]);
    const any = fc.record({
      grams: fc.double({ min: 1, max: 150, noNaN: true }),
      longMm: fc.double({ min: 110, max: 250, noNaN: true }),
      ratio: fc.double({ min: 0.5, max: 1, noNaN: true }),
      thickMm: fc.double({ min: 0.4, max: 8, noNaN: true }),
    });
    fc.assert(
      fc.property(any, ({ ratio, ...rest }) => {
        const shortMm = rest.longMm * ratio;
        const extras = rest.longMm < shortMm * 1.05 ? (['square'] as const) : [];
        const now = packed({ ...rest, shortMm, extras });
        for (const { of, by, savesMinor } of postSavings(now, TARIFF)) {
          const less =
            of === 'square' ? { ...now, shortMm: now.shortMm - by, extras: [] } : { ...now, [of]: now[of] - by };
          expect(postedAs(now, TARIFF)!.priceMinor - postedAs(less, TARIFF)!.priceMinor).to.be.at.least(savesMinor);
        }
      }),
    );
  });
});

describe('post in a plan', () => {
  const shop = (post: Tariff): Workshop => ({ ...workshop, post });
  const job = jobWith(
    ...sized('sideFold', 96, 136),
    decide((at) => at.envelope.make, true),
    decide((at) => at.envelope.stockId, 'reed-120-a4'),
    decide((at) => at.stock.stockId, 'shell-300-a4'),
  );

  it('is part of the cost only where the maker pays for it', () => {
    const post = (of: ReturnType<typeof plan>) => of.sell.parts.find(({ id }) => id === 'post');
    expect(post(plan(job, shop(TARIFF)))).to.equal(undefined);
    const paid = plan(changeJob(job, [decide((at) => at.envelope.post, { paid: true, stiff: true })]), shop(TARIFF));
    expect(post(paid)!.perCardMinor).to.equal(paid.envelope.posted!.priceMinor);
    expect(paid.envelope.posted!.extraMinor).to.equal(25);
    const { post: _none, ...without } = workshop;
    expect(plan(job, without).envelope.posted).to.equal(null);
  });

  it('says how much thinner, narrower or lighter would be cheaper, and its remedies are', () => {
    const { packed: p } = plan(job, shop(TARIFF)).envelope;
    const tight: readonly (readonly [string, Tariff])[] = [
      [
        'envelope-post-thickMm',
        { bands: [band('thin', 999, 999, 999, p.thickMm - 0.1, 50), band('all', 999, 999, 999, 99, 90)], extras: {} },
      ],
      [
        'envelope-post-longMm',
        { bands: [band('short', 999, p.longMm - 12, 999, 99, 50), band('all', 999, 999, 999, 99, 90)], extras: {} },
      ],
      [
        'envelope-post-shortMm',
        { bands: [band('slim', 999, 999, p.shortMm - 12, 99, 50), band('all', 999, 999, 999, 99, 90)], extras: {} },
      ],
      [
        'envelope-post-grams',
        { bands: [band('light', p.grams - 1, 999, 999, 99, 50), band('all', 999, 999, 999, 99, 90)], extras: {} },
      ],
    ];
    for (const [id, tariff] of tight) {
      const snag = plan(job, shop(tariff)).envelope.snags.find((one) => one.id === id)!;
      expect(snag, id).to.not.equal(undefined);
      expect(snag.level).to.equal('note');
      expect(snag.why).to.match(/ask your local post/);
      expect(snag.remedies.length, id).to.be.at.least(1);
      for (const { changes, label } of snag.remedies)
        expect(plan(changeJob(job, changes), shop(tariff)).envelope.posted!.priceMinor, `${id}: ${label}`).to.equal(50);
    }
    // A saving that is another card is none.
    const far = {
      bands: [band('tiny', 999, p.longMm - 40, 999, 99, 50), band('all', 999, 999, 999, 99, 90)],
      extras: {},
    };
    expect(plan(job, shop(far)).envelope.snags.map(({ id }) => id)).to.not.include('envelope-post-longMm');
  });

  it('offers no smaller card for an envelope that was bought, which stays as it is', () => {
    const bought = changeJob(job, [
      decide((at) => at.envelope.make, false),
      decide((at) => at.brief.envelope, { kind: 'typed', insideWidthMm: 150, insideHeightMm: 110 }),
    ]);
    const tariff = { bands: [band('short', 999, 140, 999, 99, 50), band('all', 999, 999, 999, 99, 90)], extras: {} };
    const snag = plan(bought, shop(tariff)).envelope.snags.find(({ id }) => id === 'envelope-post-longMm')!;
    expect(snag.title).to.match(/^10 mm shorter/);
    expect(snag.remedies).to.deep.equal([]);
  });

  it('says that no band takes it', () => {
    const none = plan(job, shop({ bands: [band('slip', 1, 50, 50, 0.5, 10)], extras: {} })).envelope;
    expect(none.posted).to.equal(null);
    expect(none.snags.map(({ id }) => id)).to.include('envelope-post-none');
  });

  it('keeps the figure on its tag in another currency', () => {
    // 1.00 pounds are 1 yen’s figure of 1, since yen have no decimals.
    const yen = inCurrency(shop(TARIFF), 'JPY').post!;
    expect(yen.bands.map(({ priceMinor }) => priceMinor)).to.deep.equal([1, 1, 4]);
  });
});
