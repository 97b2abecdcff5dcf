import { expect } from 'chai';
import { planJob } from '../../../../src/plan/planJob.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { ArtObject, FaceArt, Job } from '../../../../src/job/types.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { fromEdgesOf, inkThen } from '../../../../src/stations/sheet/layout/inkOnSheet.ts';
import { bleeding, inkedWith, jobWith, plan, sized, typefaces, words, workshop } from '../../../support.ts';

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
const inkOf = (job: Job) => plan(job).art.ink;
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
    expect(ink.outside).to.deep.include({ right: 10, left: 10 });
    expect(ink.bleeds).to.equal(false);
    const near = inkOf(jobWith(...sized('flat', 90, 60), front({ objects: [rule(0.4, 20, 70, 2)] })));
    expect([near.outside!.left, near.bleeds]).to.deep.equal(['bleeds', true]);
  });

  it('of words that every card has its own of, where any of them ends, whichever card is looked at', () => {
    const rows = [['Wren'], ['Tove Ashgrove of the long quay'], ['Idris\nand Maud']];
    const block = words('{name}', { leftMm: 10, topMm: 10, widthMm: 60 });
    const named = jobWith(
      ...sized('flat', 90, 60),
      decide((job) => job.names, { columns: ['name'], rows }),
      front({ texts: [block] }),
    );
    const seen = [0, 1, 2].map((card) => planJob(named, workshop, { typefaces, today: null, card }));
    for (const { art, sheet } of seen) {
      expect(art.ink).to.deep.equal(seen[0]!.art.ink);
      expect(sheet.placements).to.deep.equal(seen[0]!.sheet.placements);
    }
    // Each on a card of its own ends no farther out than all of them together, and some one of them just there.
    const alone = rows.map(
      ([text]) => inkOf(changeJob(named, [front({ texts: [{ ...block, text: text! }] })])).outside!,
    );
    for (const edge of ['top', 'right', 'bottom', 'left'] as const)
      expect(Math.min(...alone.map((ends) => ends[edge] as number))).to.be.closeTo(
        seen[0]!.art.ink.outside![edge] as number,
        1e-9,
      );
    expect(new Set(alone.map(({ bottom }) => bottom)).size).to.be.above(1);
  });

  it('of a rule thicker than its box where it is drawn, and nowhere for a code that says nothing', () => {
    // 36 pt are 12.7 mm: about the middle of a box 2 mm high at 20, from 14.65 to 27.35.
    const thick = inkOf(
      jobWith(...sized('flat', 90, 60), front({ objects: [{ ...rule(10, 20, 70, 2), weightPt: 36 }] })),
    );
    expect(thick.outside!.top).to.be.closeTo(14.65, 1e-9);
    expect(thick.outside!.bottom).to.be.closeTo(60 - 27.35, 1e-9);
    const code: ArtObject = {
      kind: 'code',
      ...{ id: 'c', colour: '#1d2930', ground: null, content: { kind: 'text', text: '' } },
      ...{ leftMm: 10, topMm: 10, widthMm: 20, heightMm: 20 },
    };
    const empty = plan(jobWith(...sized('flat', 90, 60), front({ objects: [code] })));
    expect([empty.art.ink.outside, empty.sheet.sides]).to.deep.equal([null, []]);
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
    // 34 mm above the middle of a circle of 80 its chord is 42 mm; a rule of 60 there lies well within the box round it.
    const across = (topMm: number): Job =>
      jobWith(...sized('hingedShape', 80, 80), front({ objects: [rule(10, topMm, 60, 2)] }));
    expect(inkOf(across(39)).bleeds).to.equal(false);
    expect(inkOf(across(5)).bleeds).to.equal(true);
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
    expect(snag.title).to.equal('Ink comes to where the printer does not reach at 2 up, so it is 1 up');
    // Turned on the sheet, the card’s left edge is at its head, and only the outside is printed.
    expect(snag.why).to.match(/Cut at the sheet’s own edges, the outside would lose 1\.7 mm at its left\.$/);
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
