import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { fitEnvelope, largestThatFits } from '../../../src/stations/size/fitEnvelope.ts';
import { NAMED_SIZES, sizeName } from '../../../src/workshop/namedSizes.ts';
import { jobWith, plan, sized } from '../../support.ts';
import { changeJob } from '../../../src/job/changeJob.ts';

describe('fitEnvelope', () => {
  const card = { widthMm: 96, heightMm: 136, thicknessMm: 1 };
  // Slack is inside − card − thickness: 102 − 96 − 1 = 5 and 142 − 136 − 1 = 5.
  it('slides well with 5 mm to spare', () => {
    const fit = fitEnvelope(card, { insideWidthMm: 102, insideHeightMm: 142 });
    expect(fit).to.deep.equal({ word: 'good', slackWidthMm: 5, slackHeightMm: 5, turned: false });
  });
  it('counts thickness against the width', () => {
    // 98 − 96 − 1 = 1 mm: under 1.5 it jams. A card 3 mm thick does not go in at all.
    expect(fitEnvelope(card, { insideWidthMm: 98, insideHeightMm: 142 }).word).to.equal('jams');
    expect(fitEnvelope({ ...card, thicknessMm: 3 }, { insideWidthMm: 98, insideHeightMm: 142 }).word).to.equal(
      'will not go in',
    );
  });
  it('turns the card on its side when that is how it goes in', () => {
    expect(fitEnvelope(card, { insideWidthMm: 142, insideHeightMm: 102 })).to.include({ word: 'good', turned: true });
  });
  it('rattles over 12 mm', () =>
    expect(fitEnvelope(card, { insideWidthMm: 110, insideHeightMm: 160 }).word).to.equal('rattles'));

  it('calls the largest card that fits a good fit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (w, h, t) => {
          const largest = largestThatFits({ insideWidthMm: w, insideHeightMm: h }, t);
          const fit = fitEnvelope({ ...largest, thicknessMm: t }, { insideWidthMm: w, insideHeightMm: h });
          expect(fit.slackWidthMm).to.be.closeTo(3, 1e-9);
          expect(fit.slackHeightMm).to.be.closeTo(3, 1e-9);
        },
      ),
    );
  });
});

describe('named sizes', () => {
  it('halves ISO sheets down to A6 and A7', () => {
    expect(sizeName(105, 148)).to.equal('ISO A6');
    expect(sizeName(74, 105)).to.equal('ISO A7');
    expect(sizeName(99, 210)).to.equal('ISO DL card');
  });
  it('says whose contact card, postcard and bookmark it is, either way up', () => {
    expect(sizeName(85, 55)).to.equal('European Contact card');
    expect(sizeName(91, 55)).to.equal('Japanese Contact card');
    expect(sizeName(3.5 * 25.4, 2 * 25.4)).to.equal('North American Contact card');
    expect(sizeName(90, 55)).to.equal('Australasian Contact card');
    expect(sizeName(90, 54)).to.equal('East Asian Contact card');
    expect(sizeName(85.6, 53.98)).to.equal('ISO ID-1 card');
    expect(sizeName(6 * 25.4, 4 * 25.4)).to.equal('North American Postcard');
    expect(sizeName(148, 100)).to.equal('Japanese Postcard');
    // No two are so near that a rule could not tell them apart.
    for (const one of NAMED_SIZES) expect(sizeName(one.widthMm, one.heightMm)).to.equal(`${one.system} ${one.name}`);
  });
  it('keeps the two meanings of A6 apart', () => {
    const a6 = NAMED_SIZES.filter((s) => s.name === 'A6');
    expect(a6.map((s) => s.system)).to.deep.equal(['ISO', 'North American']);
    expect(sizeName(4.5 * 25.4, 6.25 * 25.4)).to.equal('North American A6');
  });
});

describe('planSize', () => {
  const jammed = jobWith(
    ...sized('sideFold', 104, 136),
    decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: 'teal-quay' }),
  );

  it('stops a card that will not go in, and each remedy settles it', () => {
    const snag = plan(jammed).size.snags.find((s) => s.id === 'size-jams')!;
    expect(snag.level).to.equal('stop');
    expect(snag.remedies.length).to.be.greaterThan(1);
    for (const remedy of snag.remedies)
      expect(plan(changeJob(jammed, remedy.changes)).size.snags, remedy.label).to.be.empty;
  });

  it('thickens with its layers: 2 × 0.37 mm × 1.25', () => {
    expect(plan(jammed).size.thicknessMm).to.be.closeTo(0.925, 1e-9);
  });

  it('warns of a rattle in the open, with the figures', () => {
    const loose = jobWith(
      ...sized('sideFold', 80, 110),
      decide((job) => job.brief.envelope, { kind: 'typed', insideWidthMm: 114, insideHeightMm: 162 }),
    );
    const snag = plan(loose).size.snags.find((s) => s.id === 'size-rattles')!;
    expect(snag.level).to.equal('warn');
    expect(snag.why).to.contain(`${(114 - 80 - 0.925).toFixed(1)} mm`);
  });
});
