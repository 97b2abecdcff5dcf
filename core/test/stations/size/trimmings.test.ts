import { expect } from 'chai';
import fc from 'fast-check';
import { allSnags, changeJob, decide, type Job, type TrimmingChoice, type Workshop } from '../../../src/index.ts';
import { trimmingOutline } from '../../../src/stations/size/trimmings.ts';
import { shelfOf } from '../../putOn.ts';
import { runs } from '../../runs.ts';
import { jobWith, plan, sized, words, workshop } from '../../support.ts';

/** A card of 100 × 140 that opens like a book, with things on it. */
const card = (...trimmings: readonly Partial<TrimmingChoice>[]): Job =>
  jobWith(
    ...sized('sideFold', 100, 140),
    decide(
      (job) => job.trimmings,
      trimmings.map((part, i) => ({
        ...{ id: `t${i}`, trimmingId: 'bow', faceId: 'front', xMm: 50, yMm: 70, adhesiveId: null },
        ...part,
      })),
    ),
  );
const shop: Workshop = shelfOf(workshop);
const added = (job: Job): number => plan(job, shop).size.thicknessMm - plan(card(), shop).size.thicknessMm;

describe('trimmings', () => {
  it('add what they stand up, with what lifts them, where they lie over each other', () => {
    // A bow of 6 mm; on pads of 2.
    expect(added(card({}))).to.be.closeTo(6, 1e-9);
    expect(added(card({ adhesiveId: 'pads' }))).to.be.closeTo(8, 1e-9);
    // A button of 2.4 on the back, behind it or beside it: the back’s left is the front’s right.
    expect(added(card({}, { trimmingId: 'button', faceId: 'back' }))).to.be.closeTo(8.4, 1e-9);
    expect(added(card({ yMm: 30 }, { trimmingId: 'button', faceId: 'back', yMm: 110 }))).to.be.closeTo(6, 1e-9);
    expect(added(card({ xMm: 30 }, { trimmingId: 'button', faceId: 'back', xMm: 70 }))).to.be.closeTo(8.4, 1e-9);
    expect(added(card({ xMm: 30 }, { trimmingId: 'button', faceId: 'back', xMm: 20 }))).to.be.closeTo(6, 1e-9);
    // Inside left, seen from inside, lies behind the front the other way round.
    expect(added(card({ xMm: 30 }, { trimmingId: 'button', faceId: 'insideFront', xMm: 70 }))).to.be.closeTo(8.4, 1e-9);
    // What another format has waits for it.
    expect(added(card({ faceId: 'spine' }))).to.equal(0);
  });

  it('by law come to the most that lie over any one point of the shut card', () => {
    const one = fc.record({
      trimmingId: fc.constantFrom('bow', 'button', 'gem'),
      faceId: fc.constantFrom('front', 'back', 'insideFront', 'insideBack'),
      xMm: fc.integer({ min: 0, max: 100 }),
      yMm: fc.integer({ min: 0, max: 140 }),
      turnDeg: fc.constantFrom(0, 90),
    });
    const facts = { bow: [42, 26, 6], button: [11, 11, 2.4], gem: [5, 5, 1.8] } as const;
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 6 }), (things) => {
        // By hand: the reader sees the front, and through it all that lies behind; back and inside left are mirrored.
        const boxes = things.map(({ trimmingId, faceId, xMm, yMm, turnDeg }) => {
          const [w, h, stands] = facts[trimmingId];
          const [wide, high] = turnDeg === 90 ? [h, w] : [w, h];
          const x = faceId === 'back' || faceId === 'insideFront' ? 100 - xMm : xMm;
          return { x1: x - wide / 2, x2: x + wide / 2, y1: yMm - high / 2, y2: yMm + high / 2, stands };
        });
        let most = 0;
        for (let x = -21.75; x < 122; x += 0.5)
          for (let y = -21.75; y < 162; y += 0.5)
            most = Math.max(
              most,
              boxes.reduce((n, b) => n + (b.x1 < x && x < b.x2 && b.y1 < y && y < b.y2 ? b.stands : 0), 0),
            );
        expect(added(card(...things))).to.be.closeTo(most, 1e-6);
      }),
      { numRuns: runs(25) },
    );
  });

  it('turn clockwise about their middle', () => {
    const [first] = trimmingOutline({ widthMm: 40, heightMm: 20 }, { xMm: 50, yMm: 70, turnDeg: 90 });
    // The top left corner is at the top right now.
    expect(first!.xMm).to.be.closeTo(60, 1e-9);
    expect(first!.yMm).to.be.closeTo(50, 1e-9);
  });

  it('lie in the room that a spine makes', () => {
    const inside = { trimmingId: 'button', faceId: 'insideBack' };
    const gapes = plan(card(inside), shop).art.snags.find(({ id }) => id === 'art-trimming-gapes')!;
    expect(gapes.title).to.equal('The shut card gapes by 2.4 mm');
    const spined = plan(changeJob(card(inside), gapes.remedies[0]!.changes), shop);
    expect(spined.art.snags.map(({ id }) => id)).not.to.include('art-trimming-gapes');
    // A spine of 3.5 and a caliper; the button lies between.
    expect(spined.size.thicknessMm).to.be.closeTo(3.5 + spined.stock.stock.caliperMicron / 1000, 1e-9);
    // One that is too narrow for it gapes by what is left, and can be made wide enough.
    const narrow = changeJob(card(inside), [
      decide((job) => job.size.format, 'spineFold'),
      decide((job) => job.size.options.spineMm, 0.3),
    ]);
    const held = plan(changeJob(narrow, [decide((job) => job.trimmings.at(0).adhesiveId, 'pads')]), shop);
    // 2.4 and pads of 2, in the millimetre that a spine is at least.
    const gap = held.art.snags.find(({ id }) => id === 'art-trimming-gapes')!;
    expect(gap.title).to.equal('The shut card gapes by 3.4 mm');
    expect(gap.remedies.map(({ label }) => label)).to.deep.equal(['Make its spine 5.5 mm']);
    // On the outside it does not.
    const outside = plan(changeJob(card({ trimmingId: 'button' }), gapes.remedies[0]!.changes), shop);
    expect(outside.size.thicknessMm).to.be.closeTo(spined.size.thicknessMm + 2.4, 1e-9);
  });

  it('weigh, cost and take time, and make a letter lumpy', () => {
    const [bare, decked] = [
      plan(card(), shop),
      plan(card({ adhesiveId: 'dots' }, { trimmingId: 'gem', xMm: 20 }), shop),
    ];
    expect(decked.envelope.packed.grams - bare.envelope.packed.grams).to.be.closeTo(0.9 + 0.06, 1e-9);
    expect(decked.envelope.packed.extras).to.include('lumpy');
    expect(bare.envelope.packed.extras).not.to.include('lumpy');
    const part = (id: string) => decked.sell.parts.find((one) => one.id === id)!.perCardMinor;
    // 480 for 20 bows, 300 for 200 gems; two by two dots of 200 for 350.
    expect(part('trimmings')).to.be.closeTo(24 + 1.5, 1e-9);
    expect(part('adhesive')).to.be.closeTo((4 * 350) / 200, 1e-9);
    const minutes = decked.make.workMinutes - bare.make.workMinutes;
    expect(minutes).to.be.closeTo(2 * 0.75 * card().brief.wanted, 1e-6);
  });

  it('are put on step by step, each kind on a face once, with what warns of it', () => {
    const { steps } = plan(
      card(
        { adhesiveId: 'glue' },
        { trimmingId: 'gem', xMm: 20, yMm: 30 },
        { trimmingId: 'gem', xMm: 80, yMm: 30, turnDeg: 45 },
      ),
      shop,
    ).make;
    const own = steps.filter(({ kind }) => kind === 'trimming');
    expect(own.map(({ title }) => title)).to.deep.equal(['Fix Bow on the front', 'Fix 2 of Gem on the front']);
    expect(own[0]).to.deep.include({ big: '50 mm · 70 mm', waitMinutes: 20 });
    expect(own[0]!.detail).to.contain('2 lines of 36 mm of Quay glue').and.contain('moved for 2 min');
    expect(own[1]!.detail).to.contain('80 mm from the left and 30 mm from the top, turned 45° clockwise');
    expect(own[1]!.caution).to.contain('away from small children');
    expect(steps.findIndex(({ kind }) => kind === 'fold')).to.be.lessThan(steps.indexOf(own[0]!));
  });

  const art = (job: Job, id: string) => plan(job, shop).art.snags.find((snag) => snag.id.startsWith(id));

  it('that reach past an edge, hide words or lack a hold are said, and each remedy mends it', () => {
    const over = art(card({ xMm: 90 }), 'art-trimming-over')!;
    // 90 + 21 − 100.
    expect(over.title).to.equal('The bow on the front reaches 11 mm past its edge');
    const mended = changeJob(card({ xMm: 90 }), over.remedies[0]!.changes);
    expect(mended.trimmings![0]!.xMm).to.equal(79);
    expect(art(mended, 'art-trimming')).to.equal(undefined);

    const lettered = changeJob(card({}), [
      decide((job) => job.art.faces.at('front'), {
        ...{ background: null, picture: null },
        texts: [words('Under the bow', { leftMm: 35, topMm: 65 })],
      }),
    ]);
    const hides = art(lettered, 'art-trimming-hides')!;
    expect(hides.title).to.equal('The bow on the front lies on “Under the bow”');
    expect(art(changeJob(lettered, hides.remedies[0]!.changes), 'art-trimming')).to.equal(undefined);

    const gem = card({ trimmingId: 'gem', adhesiveId: 'dots' });
    const loose = art(gem, 'art-trimming-holds')!;
    expect(loose.title).to.equal('The gem on the front has no room for Dots');
    expect(loose.remedies.map(({ label }) => label)).to.deep.equal(['Use Quay glue']);
    expect(art(changeJob(gem, loose.remedies[0]!.changes), 'art-trimming')).to.equal(undefined);

    const heavy = { ...shop, trimmings: shop.trimmings.map((one) => ({ ...one, grams: 200 })) };
    const falls = plan(card({ adhesiveId: 'pads' }), heavy).art.snags.find(({ id }) => id.includes('holds'))!;
    expect(falls.title).to.equal('The bow on the front is too heavy for Pads');
    expect(falls.why).to.contain('200.0 g');
  });

  it('that run short are counted over the whole run', () => {
    const job = changeJob(card({}, { xMm: 25, yMm: 30 }), [decide((job) => job.brief.wanted, 30)]);
    // 2 × 30 of 46.
    expect(art(job, 'art-trimming-short')!.title).to.equal('14 short of Bow');
    expect(art(changeJob(job, [decide((at) => at.brief.wanted, 23)]), 'art-trimming-short')).to.equal(undefined);
  });

  it('that are gone from the workshop stop the job, and can be left off or replaced', () => {
    const job = card({ trimmingId: 'tassel' }, { adhesiveId: 'putty' });
    const gone = allSnags(plan(job, shop)).filter(({ level }) => level === 'stop');
    expect(gone.map(({ title }) => title)).to.deep.equal([
      'The trimming “tassel” is not in this workshop',
      'The adhesive of a trimming “putty” is not in this workshop',
    ]);
    const stops = (one: Job) => allSnags(plan(one, shop)).filter(({ level }) => level === 'stop');
    for (const { id, remedies } of gone)
      for (const { changes, label } of remedies)
        expect(
          stops(changeJob(job, changes)).map((snag) => snag.id),
          label,
        ).not.to.include(id);
    const without = changeJob(job, gone[0]!.remedies[0]!.changes);
    expect(without.trimmings!.map(({ id }) => id)).to.deep.equal(['t1']);
    const mended = changeJob(without, stops(without)[0]!.remedies[0]!.changes);
    expect(stops(mended)).to.deep.equal([]);
    // Two that are gone, and nothing there to stand in for them.
    const emptied = { ...shop, trimmings: [] };
    expect(plan(card({}, { trimmingId: 'gem' }), emptied).size.trimmings.placed).to.deep.equal([]);
  });
});

describe('what holds layers and seams', () => {
  it('lifts a mat by its thickness, is asked for by the run, and is refused where it does not fit', () => {
    const matted = (adhesiveId: string | null) =>
      changeJob(card(), [
        decide(
          (job) => job.size.layers,
          [{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'], adhesiveId }],
        ),
      ]);
    const [flat, raised] = [plan(matted(null), shop), plan(matted('pads'), shop)];
    expect(raised.size.thicknessMm - flat.size.thicknessMm).to.be.closeTo(2, 1e-9);
    // 84 × 124 inside: 2 + 74/40 = 3 along one side, 2 + 114/40 = 4 along the other.
    const [use] = raised.make.adhesives;
    expect(use!.perCard).to.equal(12);
    const step = raised.make.steps.find(({ id }) => id.startsWith('layer-'))!;
    expect(step.detail).to.contain('Hold it with 12 pads of Pads');
    const thin = { ...shop, stocks: shop.stocks.map((s) => (s.id === 'reed-120-a4' ? { ...s, gsm: 90 } : s)) };
    const [snag] = plan(matted('glue'), thin).size.snags.filter(({ id }) => id.startsWith('size-layer-holds'));
    expect(snag!.title).to.equal('Mat, front is glued wet on thin paper');
    expect(snag!.remedies.map(({ label }) => label)).to.include('Use Tape');
  });

  it('takes a seam that is wide enough, and says how wide that is', () => {
    const seamed = (seamMm: number) =>
      changeJob(card(), [
        decide((job) => job.envelope.make, true),
        decide((job) => job.envelope.seamMm, seamMm),
        decide((job) => job.envelope.adhesiveId, 'tape'),
      ]);
    // 10 less 3 on either side leave 4 for a tape of 6.
    const tight = plan(seamed(10), shop).envelope.snags.find(({ id }) => id === 'envelope-seam-holds')!;
    expect(tight.title).to.match(/^The envelope’s seam has no room for Tape$/);
    const mended = plan(changeJob(seamed(10), tight.remedies[0]!.changes), shop);
    expect(mended.envelope.snags.map(({ id }) => id)).not.to.include('envelope-seam-holds');
    expect(mended.envelope.seams.length).to.be.at.least(3);
    const taped = mended.make.adhesives.find(({ adhesive }) => adhesive.id === 'tape')!;
    // Two seams as high as the inside and a flap as wide: within a strip’s slack of that.
    const { insideWidthMm, insideHeightMm } = mended.envelope;
    expect(taped.perCard * 1000).to.be.within(insideWidthMm + insideHeightMm, 2 * (insideWidthMm + 2 * insideHeightMm));
  });
});
