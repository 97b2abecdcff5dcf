import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  driftFacts,
  faultsOf,
  shifted,
  simulateDrift,
  type DriftFacts,
} from '../../../../src/stations/art/drift/driftLab.ts';
import { normalBelow } from '../../../../src/ground/random.ts';
import { jobWith, plan, sized, words } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const bare: DriftFacts = {
  cut: ['left', 'right', 'top', 'bottom'],
  bleedMm: null,
  shortMm: {},
  bandMm: null,
  gapMm: { left: null, right: null, top: null, bottom: null },
};
const still = { biasRightMm: 0, biasDownMm: 0, cutSpreadMm: 0, printSpreadMm: 0 };

describe('the drift lab', () => {
  it('takes the edges of a side fold’s front for three cuts and a fold', () => {
    const job = jobWith(
      ...sized('sideFold', 100, 140),
      decide((job) => job.art.faces.at('front'), {
        background: '#14263c',
        picture: null,
        texts: [words('Ebb', { leftMm: 20, topMm: 30, widthMm: 60 })],
        border: { widthMm: 4, insetMm: 5, colour: '#ffffff' },
      }),
    );
    const made = plan(job);
    const facts = driftFacts(
      made.art.faces.find((f) => f.face.id === 'front')!,
      made.size,
      3,
    );
    expect(facts.cut).to.deep.equal(['right', 'top', 'bottom']);
    expect(facts.bleedMm).to.equal(3);
    expect(facts.bandMm).to.equal(5);
    const { ink } = made.art.faces[0]!.blocks[0]!;
    expect(facts.gapMm.top).to.be.closeTo(ink!.yMm, 1e-9);
    expect(facts.gapMm.left).to.be.closeTo(ink!.xMm, 1e-9);
  });

  it('finds what one blade shows: past the bleed a sliver, past a gap a clip, a fifth of a band uneven', () => {
    const facts = { ...bare, bleedMm: 2, bandMm: 5, gapMm: { ...bare.gapMm, left: 1.5 } };
    expect(faultsOf(facts, shifted(0.9, 0))).to.deep.equal([]);
    // 2.2 to the right: on the left the blade is 2.2 inside, on the right 2.2 outside.
    const faults = faultsOf(facts, shifted(2.2, 0)).map((f) => `${f.edge} ${f.cause} ${f.byMm.toFixed(2)}`);
    expect(faults).to.deep.equal(['left border 2.20', 'left clipped 0.70', 'right sliver 0.20', 'right border 2.20']);
    expect(faultsOf({ ...facts, cut: ['left'] }, shifted(2.2, 0)).map((f) => f.edge)).to.deep.equal(['left', 'left']);
    expect(faultsOf(bare, shifted(9, 9))).to.deep.equal([]);
  });

  it('agrees with 1 − Φ((bleed − bias) ÷ σ) for one edge, within its sampling error', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 1e6 }),
        (bleedMm, spread, bias, seed) => {
          const facts: DriftFacts = { ...bare, cut: ['right'], bleedMm };
          // Half of the spread’s square from the blade, half from the print: independent, they add as squares.
          const each = spread / Math.SQRT2;
          const cards = 4000;
          const run = simulateDrift(
            facts,
            { biasRightMm: bias, biasDownMm: 0, cutSpreadMm: each, printSpreadMm: each },
            { cards, wanted: 0.01, seed },
          );
          const expected = 1 - normalBelow((bleedMm + 0.05 - bias) / spread);
          const error = Math.sqrt((expected * (1 - expected)) / cards);
          // Six standard errors: one run in half a thousand million strays further.
          expect(run.share).to.be.closeTo(expected, 6 * error + 1e-3);
          expect(run.perEdge.right).to.equal(run.share);
          expect(run.perCause.sliver).to.equal(run.share);
        },
      ),
      { numRuns: runs(40) },
    );
  });

  it('asks for a bleed, a safe and a band that keep faults to the wanted share, and no tenth less', () => {
    const model = { ...still, cutSpreadMm: 0.4, printSpreadMm: 0.3, biasRightMm: 0.2 };
    const ask = { cards: 5000, wanted: 0.01, seed: 7 };
    const run = simulateDrift({ ...bare, bleedMm: 0 }, model, ask);
    const again = (bleedMm: number): number => simulateDrift({ ...bare, bleedMm }, model, ask).share;
    expect(again(run.bleedMm)).to.be.at.most(0.01);
    expect(again(run.bleedMm - 0.2)).to.be.above(0.01);
    const gap = (mm: number): number =>
      simulateDrift({ ...bare, gapMm: { left: mm, right: mm, top: mm, bottom: mm } }, model, ask).share;
    expect(gap(run.safeMm)).to.be.at.most(0.01);
    expect(gap(run.safeMm - 0.2)).to.be.above(0.01);
    const band = (bandMm: number): number => simulateDrift({ ...bare, bandMm }, model, ask).share;
    expect(band(run.bandMm)).to.be.at.most(0.01);
    expect(band(run.bandMm - 1)).to.be.above(0.01);
    // A band must be five times as wide as the bleed is deep, near enough: thin borders are always poor.
    expect(run.bandMm / run.bleedMm).to.be.within(4, 6);
  });

  it('draws curves that only fall, and end where its own share is', () => {
    const run = simulateDrift(
      { ...bare, bleedMm: 1 },
      { ...still, cutSpreadMm: 0.5, printSpreadMm: 0.4 },
      { cards: 2000, wanted: 0.01, seed: 3 },
    );
    for (const curve of [run.byBleed, run.bySafe, run.byBand])
      curve.slice(1).forEach(([, share], i) => expect(share).to.be.at.most(curve[i]![1]));
    expect(run.byBleed.find(([mm]) => mm === 1)![1]).to.be.closeTo(run.perCause.sliver, 1e-9);
    expect(simulateDrift(bare, still, { cards: 10, wanted: 0.01, seed: 1 })).to.deep.include({ share: 0, bleedMm: 0 });
  });
});
