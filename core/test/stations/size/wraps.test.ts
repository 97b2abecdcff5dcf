import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob, decide, type Job, type LayerChoice, type WrapKind } from '../../../src/index.ts';
import { shelfOf } from '../../putOn.ts';
import { runs } from '../../runs.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';

const shop = shelfOf(workshop);
const STOCK = 'shell-300-a4';
const wrapped = (
  kind: WrapKind,
  wrap: LayerChoice['wrap'] = {},
  [w, h, stockId]: readonly [number, number, string] = [100, 140, STOCK],
): Job =>
  jobWith(
    ...sized('sideFold', w, h),
    decide((job) => job.stock.stockId, stockId),
    decide((job) => job.brief.envelope, { kind: 'none' }),
    decide((job) => job.brief.wanted, 60),
    decide((job) => job.sell.packOf, 6),
    decide((job) => job.size.layers, [{ id: 'w', kind, faces: [], revealMm: 0, stockIds: ['reed-120-a4'], wrap }]),
  );
const pieceOf = (job: Job, n = 0) => plan(job, shop).size.layers[n]!;
const turns = (job: Job): readonly number[] => pieceOf(job).blank.creases.map(({ from }) => from.xMm);

/** Bends a strip at each of its creases by a right angle, or by two where a side has one crease, and gives its corners. */
function bent(at: readonly number[], long: number): readonly { readonly x: number; readonly y: number }[] {
  const by = at.length > 2 ? Math.PI / 2 : Math.PI;
  let [x, y, heading] = [0, 0, 0];
  const corners = [{ x, y }];
  [...at, long].forEach((end, i) => {
    const run = end - (at[i - 1] ?? 0);
    x += run * Math.cos(heading);
    y += run * Math.sin(heading);
    corners.push({ x, y });
    heading += by;
  });
  return corners;
}

describe('bands and sleeves', () => {
  it('a band round a thin card turns once at each side: twice the card with its ease and thickness, and the lap', () => {
    const job = wrapped('band', { lapMm: 15, heightMm: 35, easeMm: 1 });
    const { size } = plan(job, shop);
    const bare = plan(changeJob(job, [decide((at) => at.size.layers, [])]), shop).size.thicknessMm;
    const { blank } = size.layers[0]!;
    // 2 × (100 + 1) + 2 × the card’s thickness + 15.
    expect(blank.widthMm).to.be.closeTo(217 + 2 * bare, 1e-9);
    expect(blank.heightMm).to.equal(35);
    // Half a back and the lap, half a side; a front and a whole side further.
    expect(turns(job)[0]).to.be.closeTo(50.5 + 15 + bare / 2, 1e-9);
    expect(turns(job)[1]! - turns(job)[0]!).to.be.closeTo(101 + bare, 1e-9);
    // Its front, its back and its lap lie over the card.
    expect(size.thicknessMm - bare).to.be.closeTo((3 * size.layers[0]!.stock.caliperMicron) / 1000, 1e-9);
  });

  it('by law, bent at its creases, a sleeve shuts on itself with room for its pack', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 120 }),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 6, max: 20 }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (w, packOf, lapMm, easeMm) => {
          const job = changeJob(wrapped('sleeve', { lapMm, easeMm }, [w, 140, STOCK]), [
            decide((at) => at.sell.packOf, packOf),
          ]);
          const { size } = plan(job, shop);
          const { blank } = size.layers[0]!;
          expect(turns(job).length).to.equal(4);
          const corners = bent(turns(job), blank.widthMm);
          const ys = corners.map(({ y }) => y);
          const xs = corners.slice(1).map(({ x }) => x);
          // The end comes back to where the lap begins, so that it lies on the last side.
          expect(corners.at(-1)!.x).to.be.closeTo(corners[1]!.x, 1e-9);
          expect(corners.at(-1)!.y).to.be.closeTo(0, 1e-9);
          const [across, deep] = [Math.max(...ys) - Math.min(...ys), Math.max(...xs) - Math.min(...xs)];
          expect(across).to.be.closeTo(w + easeMm, 1e-9);
          expect(deep).to.be.closeTo(packOf * size.thicknessMm + easeMm, 1e-9);
        },
      ),
      { numRuns: runs(40) },
    );
  });

  it('a sleeve counts an envelope beside each card, and is made once a pack', () => {
    const job = wrapped('sleeve', { easeMm: 0 });
    const thick = (one: Job): number => turns(one)[2]! - turns(one)[1]!;
    const posted = changeJob(job, [
      decide((at) => at.brief.envelope, { kind: 'typed', insideWidthMm: 110, insideHeightMm: 150 }),
    ]);
    expect(thick(posted) - thick(job)).to.be.closeTo(6 * 0.36, 1e-9);
    const laid = plan(job, shop).sheet.layers[0]!;
    const { cards } = { cards: plan(job, shop).sheet.pieces.find(({ role }) => role === 'card')!.made };
    expect(laid.made).to.equal(Math.ceil(cards / 6));
    // It goes round a pack, and is no part of what one card weighs.
    expect(plan(job, shop).envelope.packed.parts.map(({ name }) => name)).to.deep.equal(['Card']);
    expect(plan(wrapped('band'), shop).envelope.packed.parts.map(({ name }) => name)).to.deep.equal(['Card', 'Band']);
  });

  it('a thick card’s band has two creases at each side, and one from head to foot goes round the height', () => {
    const thick = changeJob(wrapped('band'), [
      decide(
        (at) => at.trimmings,
        [{ id: 'b', trimmingId: 'button', faceId: 'front', xMm: 50, yMm: 70, adhesiveId: null }],
      ),
    ]);
    const at = turns(thick);
    expect(at.length).to.equal(4);
    const bare = plan(changeJob(thick, [decide((job) => job.size.layers, [])]), shop).size.thicknessMm;
    expect(at[1]! - at[0]!).to.be.closeTo(bare, 1e-9);
    expect(at[2]! - at[1]!).to.be.closeTo(101, 1e-9);
    const corners = bent(at, pieceOf(thick).blank.widthMm);
    // The two ends lie over each other by the lap.
    expect(corners.at(-1)!.y).to.be.closeTo(corners[0]!.y, 1e-9);
    expect(Math.abs(corners.at(-1)!.x - corners[0]!.x)).to.be.closeTo(15, 1e-9);
    expect(
      pieceOf(wrapped('band', { down: true })).blank.widthMm - pieceOf(wrapped('band')).blank.widthMm,
    ).to.be.closeTo(2 * 40, 1e-9);
  });

  it('are wrapped when all else is done, with their creases told from the lap', () => {
    const taped = changeJob(wrapped('band'), [decide((job) => job.size.layers.at(0).adhesiveId, 'tape')]);
    const { steps } = plan(taped, shop).make;
    const own = steps.findIndex(({ title }) => title === 'Cut, crease and wrap: band');
    expect(own).to.be.greaterThan(steps.findIndex(({ kind }) => kind === 'fold'));
    expect(steps[own]!.detail).to.match(
      /Crease at [\d.]+ mm, [\d.]+ mm from the lap’s edge.*one strip of 30 mm of Tape/,
    );
    expect(plan(taped, shop).make.adhesives[0]!.perCard).to.be.closeTo(0.03, 1e-9);
  });
});

describe('tags', () => {
  it('keep 6 mm of card round their hole, and lose two corners', () => {
    const { blank } = pieceOf(wrapped('tag', { widthMm: 40, heightMm: 70, holeMm: 4, cornerMm: 10 }));
    expect(blank.outline.length).to.equal(6);
    const ys = blank.cuts[0]!.points.map(({ yMm }) => yMm);
    expect(Math.min(...ys)).to.be.closeTo(6, 1e-6);
    expect(Math.max(...ys)).to.be.closeTo(10, 1e-6);
    const tight = plan(wrapped('tag', { widthMm: 15, holeMm: 4 }), shop).size.snags.find(
      ({ level }) => level === 'stop',
    )!;
    expect(tight.title).to.equal('The tag is too narrow for its hole');
    expect(tight.remedies.map(({ label }) => label)).to.deep.equal([
      'Make it 16 mm × 70 mm',
      'Leave the hole out',
      'Take it off',
    ]);
    for (const { changes } of tight.remedies)
      expect(
        plan(changeJob(wrapped('tag', { widthMm: 15, holeMm: 4 }), changes), shop).size.snags.filter(
          ({ level }) => level === 'stop',
        ),
      ).to.deep.equal([]);
  });

  it('folded, have a hole in each leaf that lie on each other, and a patch is cut too', () => {
    const job = wrapped('tag', { widthMm: 40, heightMm: 50, holeMm: 4, folded: true, patch: true });
    const { size, sheet } = plan(job, shop);
    const [tag, patch] = size.layers;
    const fold = tag!.blank.creases[0]!.from.yMm;
    const [a, b] = tag!.blank.cuts.map(({ points }) => points.reduce((n, { yMm }) => n + yMm, 0) / points.length);
    expect([tag!.blank.heightMm, fold]).to.deep.equal([100, 50]);
    expect(fold - a!).to.be.closeTo(b! - fold, 1e-6);
    expect(patch!.blank.widthMm).to.be.closeTo(14, 0.02);
    expect(sheet.layers.map(({ name }) => name)).to.deep.equal(['Tag', 'Tag’s patch']);
    const bare = plan(changeJob(job, [decide((at) => at.size.layers, [])]), shop).size.thicknessMm;
    expect(size.thicknessMm - bare).to.be.closeTo((3 * tag!.stock.caliperMicron) / 1000, 1e-9);
  });
});
