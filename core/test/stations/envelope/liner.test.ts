import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import type { BoughtFlap, Job } from '../../../src/job/types.ts';
import { usesOf } from '../../../src/job/usesOf.ts';
import { buildEnvelope } from '../../../src/stations/envelope/build/buildEnvelope.ts';
import { linerOf } from '../../../src/stations/envelope/build/liner.ts';
import { drawLinerPage, drawLinerSheet } from '../../../src/stations/envelope/drawEnvelopePrint.ts';
import { ENVELOPE_STYLES } from '../../../src/stations/envelope/styles/index.ts';
import { jobWith, plan, sized, typefaces, words, workshop } from '../../support.ts';
import { fromEdges, within } from './byHand.ts';

const lined = (...changes: readonly JobChange[]) =>
  jobWith(
    ...sized('sideFold', 96, 136),
    decide((job) => job.envelope.make, true),
    decide((job) => job.envelope.liner, { stockId: 'reed-120-a4', insetMm: 3 }),
    ...changes,
  );

for (const style of ENVELOPE_STYLES)
  describe(`a liner of an envelope: ${style.name}`, () => {
    it('lies within the front by its inset and on the flap short of the gum, and slides in', () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 110, max: 230 }),
          fc.double({ min: 0.55, max: 1, noNaN: true }),
          fc.integer({ min: 2, max: 8 }),
          (long, shape, insetMm) => {
            const short = Math.round(long * shape);
            const [w, h] = style.opens === 'long' ? [long, short] : [short, long];
            const own = { insideWidthMm: w, insideHeightMm: h, seamMm: 18, throatMm: 10, depthMm: 10 };
            const m = { ...own, cornerMm: 0, path: '', flapMm: style.flapMm(own) };
            const { form } = buildEnvelope(style, m);
            const parts = style.parts(m).panels;
            const flap = parts.find(({ id }) => id === 'flap')!.outline;
            const hinge = flap[0]!.yMm;
            const { blank } = linerOf(form, insetMm);
            // Back into the frame of the front, inside up: its foot is the inset above the lower fold.
            const at = blank.outline.map(({ xMm, yMm }) => ({
              xMm: xMm + insetMm,
              yMm: yMm + h - insetMm - blank.heightMm,
            }));
            expect(blank.widthMm).to.be.closeTo(w - 2 * insetMm, 1e-4);
            for (const p of at) {
              expect(Math.min(p.xMm, w - p.xMm, h - p.yMm)).to.be.at.least(insetMm - 1e-4);
              if (p.yMm < hinge - 0.01) {
                expect(within(p, flap)).to.be.true;
                // 3 mm of edge, 12 of gum and 1 besides; where the flap is folded it has no edge.
                const free = flap.slice(1).map((q, i) => [q, flap[(i + 2) % flap.length]!] as const);
                for (const [a, b] of free) expect(fromEdges(p, [a, b])).to.be.at.least(15.9);
              }
            }
            // It reaches on to the flap, and is creased where that hangs.
            expect(Math.min(...at.map(({ yMm }) => yMm))).to.be.below(hinge - 2);
            const folds = blank.creases.map(({ from }) => from.yMm + h - insetMm - blank.heightMm);
            expect(folds.map((y) => Math.round(y * 1e4) / 1e4)).to.have.members(
              [...new Set([hinge, 0])].map((y) => Math.round(y * 1e4) / 1e4),
            );
          },
        ),
        { numRuns: 40 },
      );
    });
  });

describe('lined envelopes', () => {
  it('count their liners, take them from the shelf, and make room for them', () => {
    const [bare, with_] = [plan(lined(decide((job) => job.envelope.liner, null))), plan(lined())];
    const reed = workshop.stocks.find(({ id }) => id === 'reed-120-a4')!;
    expect(with_.envelope.insideWidthMm - bare.envelope.insideWidthMm).to.be.closeTo(reed.caliperMicron / 1000, 1e-9);
    expect(with_.envelope.pieces.map(({ role }) => role)).to.deep.equal(['envelope', 'liner']);
    expect(with_.make.steps.map(({ id }) => id)).to.include('liner');
    const envelope = (of: typeof bare) => of.sell.parts.find(({ id }) => id === 'envelope')!.perCardMinor;
    const { sheets } = with_.envelope.liner!;
    expect(envelope(with_) - envelope(bare)).to.be.closeTo((sheets * reed.sheetPriceMinor) / 12, 1e-6);
    expect(
      usesOf(lined(decide((job) => job.envelope.liner, { stockId: 'other', insetMm: 3 }))).map(({ id }) => id),
    ).to.include('other');
  });

  it('are no thicker for a liner that waits, where no envelope is made', () => {
    const off = decide((job) => job.envelope.make, false);
    const [waits, none] = [
      lined(off),
      lined(
        off,
        decide((job) => job.envelope.liner, null),
      ),
    ].map((job) => plan(job).envelope);
    expect(waits!.insideWidthMm).to.equal(none!.insideWidthMm);
  });

  it('are told when a liner cannot slide in, and what settles it', () => {
    const large = lined(decide((job) => job.envelope.liner.insetMm, -2));
    const snag = plan(large).envelope.snags.find(({ id }) => id === 'envelope-liner-large')!;
    expect(snag.level).to.equal('stop');
    expect(plan(changeJob(large, snag.remedies[0]!.changes)).envelope.snags).to.deep.equal([]);
    // A liner of 96 × 136 and ease is gone at half of that, and is planned with finite figures all the same.
    for (const style of ['sideSeam', 'deep'] as const) {
      const gone = lined(
        decide((job) => job.envelope.style, style),
        decide((job) => job.envelope.liner.insetMm, 50),
      );
      const none = plan(gone).envelope;
      const said = none.snags.find(({ id }) => id === 'envelope-liner-small')!;
      expect(said.level).to.equal('stop');
      // Drawn at its smallest: no sheet of thousands of slivers.
      expect(Math.min(none.liner!.blank.widthMm, none.liner!.blank.heightMm)).to.be.at.least(10 - 1e-9);
      for (const { from, to } of none.liner!.blank.creases)
        expect([from.xMm, from.yMm, to.xMm, to.yMm].every(Number.isFinite)).to.equal(true);
      for (const { changes } of said.remedies)
        expect(plan(changeJob(gone, changes)).envelope.snags.map(({ id }) => id)).to.not.include(said.id);
    }
    const near = plan(lined(decide((job) => job.envelope.liner.insetMm, 1))).envelope.snags;
    expect(near.map(({ id, level }) => [id, level])).to.deep.equal([['envelope-liner-large', 'warn']]);
  });

  it('are told when no sheet is large enough for a liner', () => {
    const job = lined(
      ...sized('sideFold', 200, 290),
      decide((at) => at.envelope.stockId, 'reed-120-a3'),
    );
    const snag = plan(job).envelope.snags.find(({ id }) => id === 'envelope-liner-sheet')!;
    for (const { changes, label } of snag.remedies)
      expect(
        plan(changeJob(job, changes)).envelope.snags.map(({ id }) => id),
        label,
      ).to.not.include('envelope-liner-sheet');
  });

  it('are stood in for when their stock is gone', () => {
    const job = lined(decide((at) => at.envelope.liner.stockId, 'long gone'));
    const { envelope } = plan(job);
    expect(envelope.liner).to.not.equal(null);
    expect(envelope.snags.map(({ id }) => id).some((id) => /liner/.test(id))).to.be.true;
  });

  it('carry art on the side that is seen, at every place of their sheets', () => {
    const job = lined(
      decide((at) => at.art.faces.at('envelopeLiner'), {
        background: '#cfe6e4',
        picture: null,
        texts: [words('Lanterns', { leftMm: 30, topMm: 60 })],
      }),
      ...sized('sideFold', 74, 105),
    );
    const { liner } = plan(job).envelope;
    expect(liner!.print!.sides).to.deep.equal(['front']);
    const page = drawLinerPage(liner!, 'front', { job, typefaces }, null);
    const cut = drawLinerSheet(liner!);
    expect(page.scene.shapes.filter(({ kind }) => kind === 'use')).to.have.length(liner!.up);
    // Printed and cut on the same places, with bleed round the print.
    expect(page.trimBox.xMm).to.be.closeTo(cut.trimBox.xMm, 1e-6);
    expect(page.trimBox.yMm).to.be.closeTo(cut.trimBox.yMm, 1e-6);
    expect(page.trimBox.xMm - page.bleedBox.xMm).to.be.closeTo(3, 1e-6);
  });
});

describe('a liner of an envelope that is bought', () => {
  const typed = decide((job) => job.brief.envelope, { kind: 'typed', insideWidthMm: 120, insideHeightMm: 180 });
  const bought = (flap: Partial<BoughtFlap>, ...changes: readonly JobChange[]) =>
    lined(
      typed,
      decide((job) => job.envelope.make, false),
      decide((job) => job.envelope.boughtFlap, { shape: 'leaning', depthMm: null, opens: 'long', ...flap }),
      ...changes,
    );
  const linerIn = (job: Job) => plan(job).envelope.liner!.blank;

  it('follows the flap as it was measured, short of its gum', () => {
    // Inside 180 × 120, in by 3 all round the front; 16 off the flap’s free edges: 3 bare, 12 of gum, 1 besides.
    const straight = linerIn(bought({ shape: 'square', depthMm: 60 }));
    expect(straight.widthMm).to.be.closeTo(174, 1e-3);
    expect(straight.heightMm).to.be.closeTo(117 + 60 - 16, 0.01);
    // A point 70 deep leans 85.5 on each side, along 110.5: above the middle the gum’s inner edges meet
    // (90 · 70 − 16 · 110.5) ÷ 85.5 = 53.006 over the fold.
    const pointed = linerIn(bought({ shape: 'pointed', depthMm: 70 }));
    expect(pointed.heightMm).to.be.closeTo(117 + 53.006, 0.05);
    expect(pointed.widthMm).to.be.closeTo(174, 1e-3);
    // It closes a short side: the front stands upright.
    expect(linerIn(bought({ opens: 'short', depthMm: 40 })).widthMm).to.be.closeTo(114, 1e-3);
    // Creased where the flap hangs, and nowhere else.
    expect(pointed.creases).to.have.length(1);
    expect(pointed.heightMm - pointed.creases[0]!.from.yMm).to.be.closeTo(117, 0.01);
  });

  it('is cut, paid for and slid in beside a price on the shelf, with no blank to cut', () => {
    const shelf = workshop.envelopes[0]!;
    const job = bought(
      {},
      decide((at) => at.brief.envelope, { kind: 'shelf', envelopeId: shelf.id }),
    );
    const { envelope, make, sell } = plan(job);
    expect(envelope.pieces.map(({ role }) => role)).to.deep.equal(['liner']);
    const ids = make.steps.map(({ id }) => id);
    expect(ids).to.include('liner');
    expect(ids).to.not.include('envelope-cut');
    const reed = workshop.stocks.find(({ id }) => id === 'reed-120-a4')!;
    const paid = sell.parts.find(({ id }) => id === 'envelope')!.perCardMinor;
    expect(paid).to.be.closeTo(shelf.priceMinor + (envelope.liner!.sheets * reed.sheetPriceMinor) / 12, 1e-6);
  });

  it('says when it takes the room, and when a flap cannot be as deep as was typed', () => {
    // 96 × 136 of 0.6 mm and a liner of 0.15: what is left falls under what a card slides in by.
    const { thicknessMm } = plan(bought({})).size;
    const inside = { insideWidthMm: 96 + thicknessMm + 1.55, insideHeightMm: 136 + thicknessMm + 1.55 };
    const tight = bought(
      {},
      decide((job) => job.brief.envelope, { kind: 'typed', ...inside }),
    );
    const snag = plan(tight).envelope.snags.find(({ id }) => id === 'envelope-liner-tight')!;
    expect(plan(changeJob(tight, snag.remedies[0]!.changes)).envelope.snags).to.deep.equal([]);
    expect(plan(bought({})).envelope.snags.map(({ id }) => id)).to.not.include('envelope-liner-tight');

    const deep = bought({ depthMm: 121 });
    const said = plan(deep).envelope.snags.find(({ id }) => id === 'envelope-flap-deep')!;
    expect(plan(changeJob(deep, said.remedies[0]!.changes)).envelope.snags).to.deep.equal([]);
    expect(plan(bought({ depthMm: 119 })).envelope.snags).to.deep.equal([]);
  });
});
