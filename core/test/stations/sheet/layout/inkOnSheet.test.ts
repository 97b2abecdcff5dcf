import { expect } from 'chai';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { FaceArt, Job } from '../../../../src/job/types.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { inkOnBlank } from '../../../../src/stations/art/faces/inkOnBlank.ts';
import { fromEdgesOf, inkThen } from '../../../../src/stations/sheet/layout/inkOnSheet.ts';
import { bleeding, inkedWith, jobWith, plan, sized, words, workshop } from '../../../support.ts';

const NONE = { top: 0, right: 0, bottom: 0, left: 0 };
const bareEdge = (mm: number): JobChange => decide((job) => job.size.bareEdgeMm, mm);
const front = (art: Partial<FaceArt>): JobChange =>
  decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [], ...art });
const grain = (wish: Job['sheet']['grain']): JobChange => decide((job) => job.sheet.grain, wish);
const margins = (top: number, right: number, bottom: number, left: number): Workshop => ({
  ...workshop,
  printers: workshop.printers.map((printer) => ({
    ...printer,
    paths: printer.paths.map((path) => ({ ...path, marginsMm: { top, right, bottom, left } })),
  })),
});
const inkOf = (job: Job) => {
  const { art, size } = plan(job);
  return inkOnBlank(art.faces, size);
};
const rule = (leftMm: number, topMm: number, widthMm: number, heightMm: number) =>
  ({ kind: 'rule', id: 'r', colour: '#1d2930', weightPt: 3, leftMm, topMm, widthMm, heightMm }) as const;

describe('where ink ends', () => {
  it('past the trim where a ground runs off it, and at the fold of a panel that is bare beyond', () => {
    // A side fold of 60 × 80: its front is the right half of the outside.
    const ink = inkOf(inkedWith(...sized('sideFold', 60, 80)));
    expect(ink.outside).to.deep.equal({ top: 'bleeds', right: 'bleeds', bottom: 'bleeds', left: 60 });
    expect([ink.inside, ink.bleeds]).to.deep.equal([null, true]);
  });

  it('where a thing ends that lies within, and as if it bled where it ends on the trim', () => {
    const ink = inkOf(jobWith(...sized('flat', 90, 60), front({ objects: [rule(10, 20, 70, 2)] })));
    expect(ink.outside).to.deep.equal({ top: 20, right: 10, bottom: 38, left: 10 });
    expect(ink.bleeds).to.equal(false);
    const near = inkOf(jobWith(...sized('flat', 90, 60), front({ objects: [rule(0.4, 20, 70, 2)] })));
    expect([near.outside!.left, near.bleeds]).to.deep.equal(['bleeds', true]);
  });

  it('of words that every card has its own of, at the ends of their block', () => {
    const named = jobWith(
      ...sized('flat', 90, 60),
      decide((job) => job.names, { columns: ['name'], rows: [['Wren'], ['Tove']] }),
      front({ texts: [words('{name}', { leftMm: 10, widthMm: 60 })] }),
    );
    expect(inkOf(named).outside).to.deep.include({ left: 10, right: 20 });
    const plain = changeJob(named, [front({ texts: [words('Wren', { leftMm: 10, widthMm: 60 })] })]);
    expect(inkOf(plain).outside!.right).to.be.above(50);
  });

  it('at a bare edge, whatever would run off: nothing bleeds, and neighbours touch', () => {
    const job = inkedWith(...sized('flat', 90, 60), bareEdge(6));
    expect(inkOf(job)).to.deep.equal({
      outside: { top: 6, right: 6, bottom: 6, left: 6 },
      inside: null,
      bleeds: false,
    });
    const { sheet, size } = plan(job);
    expect([size.bleedMm, sheet.bleedMm, sheet.gutterMm]).to.deep.equal([0, 0, 0]);
    // Over a fold art runs on: only the open card’s own edges are bare.
    expect(inkOf(inkedWith(...sized('tentFold', 60, 80), bareEdge(6))).outside).to.deep.equal({
      top: 80,
      right: 6,
      bottom: 6,
      left: 6,
    });
  });

  it('nowhere, where bare edges meet: that stops the card, and is settled by less or none', () => {
    const job = inkedWith(...sized('flat', 90, 60), bareEdge(30));
    expect(inkOf(job)).to.deep.equal({ outside: null, inside: null, bleeds: false });
    const snag = plan(job).size.snags.find(({ id }) => id === 'size-bare-edge-wide')!;
    expect([snag.level, snag.remedies.length]).to.deep.equal(['stop', 2]);
    for (const { changes } of snag.remedies)
      expect(plan(changeJob(job, changes)).size.snags.map(({ id }) => id)).to.not.include(snag.id);
    expect(plan(changeJob(job, [bareEdge(29.9)])).size.snags.map(({ id }) => id)).to.not.include(snag.id);
  });

  it('counts from the outline of a shape: a thing that crosses it bleeds, though it ends within the box round it', () => {
    const round = (side: number): Job =>
      jobWith(
        ...sized('hingedShape', 80, 80),
        front({ objects: [rule((80 - side) / 2, (80 - side) / 2, side, side)] }),
      );
    expect(inkOf(round(20)).bleeds).to.equal(false);
    expect(inkOf(round(76)).bleeds).to.equal(true);
  });
});

describe('how near to a sheet’s edges', () => {
  it('a trim may come is what the printer leaves, less what the card leaves bare there, side by side', () => {
    const reach = { front: { ...NONE, top: 4, left: 5 }, back: { ...NONE, top: 9, right: 5 } };
    const ink = {
      outside: { top: 1, right: 1, bottom: 1, left: 8 },
      inside: { top: 7, right: 2, bottom: 2, left: 2 },
      bleeds: false,
    };
    // Top: 4 − 1 and 9 − 7; right: 5 − 2 of the back; left: 5 − 8 is nothing.
    expect(fromEdgesOf(ink, { reach, kept: NONE, bleedMm: 0 }).asDrawn).to.deep.equal({
      ...NONE,
      top: 3,
      right: 3,
    });
    // Turned clockwise its left edge is on top: 4 − 8 and 9 − 2; its top on the right: 0 − 1 and 5 − 7.
    expect(fromEdgesOf(ink, { reach, kept: NONE, bleedMm: 0 }).turned).to.deep.equal({ ...NONE, top: 7, left: 4 });
    const bled = fromEdgesOf(bleeding('front'), { reach, kept: { ...NONE, bottom: 10 }, bleedMm: 3 });
    expect(bled.asDrawn).to.deep.equal({ top: 7, right: 3, bottom: 13, left: 8 });
  });

  it('a card comes head to foot where its bare end then lies where the printer does not reach', () => {
    // 290 of 297 mm high, with a rule 5 mm above its foot; the printer leaves 25 mm white at the foot of a page.
    const job = jobWith(...sized('flat', 150, 290), front({ objects: [rule(20, 283, 110, 2)] }));
    const { sheet } = plan(job, margins(3, 3, 25, 3));
    expect(sheet.up).to.equal(1);
    const [{ toSheet, trim }] = sheet.placements as [(typeof sheet.placements)[number]];
    expect(toSheet.slice(0, 4)).to.deep.equal([-1, 0, 0, -1]);
    // What was 283 to 285 mm down the card is 5 to 7 mm down it now, and past the 3 mm at the head.
    expect(trim.yMm + 5).to.be.at.least(3);
    // With ink at both ends it does not come out at all.
    const both = changeJob(job, [front({ objects: [rule(20, 283, 110, 2), { ...rule(20, 5, 110, 2), id: 's' }] })]);
    expect(plan(both, margins(3, 3, 25, 3)).sheet.up).to.equal(0);
    // As it is where the printer reaches it.
    const plain = plan(job, margins(3, 3, 3, 3)).sheet.placements[0]!.toSheet;
    expect(plain.slice(0, 4)).to.deep.equal([1, 0, 0, 1]);
  });

  it('is known of a smaller card as the least that may be left, and of a bare edge as that', () => {
    const ink = {
      outside: { top: 20, right: 10, bottom: 2, left: 'bleeds' as const },
      inside: null,
      bleeds: true,
    };
    const smaller = inkThen(ink, { bareEdgeMm: 0, narrowerMm: 4, lowerMm: 3 });
    expect(smaller.outside).to.deep.equal({ top: 17, right: 6, bottom: 'bleeds', left: 'bleeds' });
    expect(inkThen(ink, { bareEdgeMm: 0, narrowerMm: -9, lowerMm: -9 })).to.deep.equal(ink);
    const bare = inkThen(ink, { bareEdgeMm: 5, narrowerMm: 0, lowerMm: 0 });
    expect(bare).to.deep.equal({ outside: { top: 20, right: 10, bottom: 5, left: 5 }, inside: null, bleeds: false });
    expect(inkThen(bleeding(), { bareEdgeMm: 5, narrowerMm: 0, lowerMm: 0 })).to.deep.equal(bleeding());
  });

  it('two tents are a letter sheet exactly, four of half their size too, with ink a quarter inch inside', () => {
    const letter = decide((job) => job.stock, { stockId: 'harbour-216-letter', printerId: 'tern', pathId: 'tray' });
    const tent = (wide: number, high: number): Job =>
      inkedWith(...sized('tentFold', wide, high), letter, bareEdge(6.35), grain('ignore'));
    const two = plan(tent(139.7, 107.95), margins(6.35, 6.35, 6.35, 6.35));
    expect([two.sheet.up, two.cut.moves.length]).to.deep.equal([2, 1]);
    const four = plan(tent(107.95, 69.85), margins(6.35, 6.35, 6.35, 6.35));
    expect([four.sheet.up, four.cut.moves.length]).to.deep.equal([4, 2]);
    // A printer that leaves more takes one, says how much would be missing where, and what border would do.
    const wide = plan(tent(139.7, 107.95), margins(8, 6.35, 6.35, 6.35));
    expect(wide.sheet.up).to.equal(1);
    const snag = wide.sheet.snags.find(({ id }) => id === 'sheet-no-bleed')!;
    expect(snag.title).to.equal('Nothing left for the printer’s margins at 2 up, so it is 1 up');
    const border = snag.remedies.find(({ label }) => label.startsWith('Leave a bare border'))!;
    expect(border.label).to.equal('Leave a bare border of 8 mm: 2 up');
    const mended = changeJob(tent(139.7, 107.95), border.changes);
    expect(plan(mended, margins(8, 6.35, 6.35, 6.35)).sheet.up).to.equal(2);
  });
});

describe('grain that is preferred', () => {
  const at = (wish: Job['sheet']['grain'], w: number, h: number) =>
    plan(
      inkedWith(
        ...sized('tentFold', w, h),
        decide((job) => job.size.bleedMm, 0),
        grain(wish),
      ),
    ).sheet;

  it('is kept along the fold where that costs no card', () => {
    const { up, grainAlongFold, snags } = at('prefer', 130, 70);
    expect(up).to.equal(at('respect', 130, 70).up);
    // Left to itself it would lie across.
    expect([up, at('ignore', 130, 70).grainAlongFold]).to.deep.equal([at('ignore', 130, 70).up, false]);
    expect(grainAlongFold).to.equal(true);
    expect(snags.map(({ id }) => id)).to.not.include('sheet-grain-given-up');
  });

  it('is given up where it does, with both counts, and can be insisted on', () => {
    const [kept, free, wished] = (['respect', 'ignore', 'prefer'] as const).map((wish) => at(wish, 90, 66));
    expect(free!.up).to.be.above(kept!.up);
    expect([wished!.up, wished!.grainAlongFold]).to.deep.equal([free!.up, false]);
    const snag = wished!.snags.find(({ id }) => id === 'sheet-grain-given-up')!;
    expect(snag.title).to.equal(
      `The grain is not kept along the fold: that would be ${kept!.up} up instead of ${free!.up}`,
    );
    expect(snag.remedies[0]!.label).to.equal(`Keep the grain along the fold: ${kept!.up} up`);
    for (const other of [kept!, free!]) expect(other.snags.map(({ id }) => id)).to.not.include('sheet-grain-given-up');
  });
});
