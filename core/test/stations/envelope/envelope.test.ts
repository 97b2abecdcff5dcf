import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { ENVELOPE_STYLES, envelopeStyle } from '../../../src/stations/envelope/styles/index.ts';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { fitEnvelope } from '../../../src/stations/size/fitEnvelope.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { jobWith, plan, sized } from '../../support.ts';

const within = (p: Point, polygon: readonly Point[]): boolean => {
  let inside = false;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    if (a.yMm > p.yMm !== b.yMm > p.yMm && p.xMm < ((b.xMm - a.xMm) * (p.yMm - a.yMm)) / (b.yMm - a.yMm) + a.xMm)
      inside = !inside;
  });
  return inside;
};
const distance = (p: Point, a: Point, b: Point): number => {
  const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
  const t = Math.min(1, Math.max(0, ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(p.xMm - a.xMm - t * dx, p.yMm - a.yMm - t * dy);
};

describe('the flap', () => {
  it('is no longer than the envelope is high', () => {
    const made = (flapMm: number) =>
      jobWith(
        ...sized('flat', 140, 90),
        decide((job) => job.envelope, { make: true, stockId: 'reed-120-a4', easeMm: 6, seamMm: 18, flapMm }),
      );
    const { insideHeightMm } = plan(made(40)).envelope;
    const stops = (flapMm: number): readonly string[] => plan(made(flapMm)).envelope.snags.map(({ id }) => id);
    // It ends 3 mm short of the lower fold.
    expect(stops(insideHeightMm - 3)).to.not.include('envelope-flap-long');
    expect(stops(insideHeightMm - 2.9)).to.include('envelope-flap-long');
    const long = made(insideHeightMm + 20);
    const snag = plan(long).envelope.snags.find(({ id }) => id === 'envelope-flap-long')!;
    expect(snag.level).to.equal('stop');
    for (const { changes } of snag.remedies)
      expect(plan(changeJob(long, changes)).envelope.snags.map(({ id }) => id)).to.not.include('envelope-flap-long');
  });
});

for (const style of ENVELOPE_STYLES)
  describe(`an envelope: ${style.name}`, () => {
    it('keeps glue inside the blank and at least 2.8 mm off every cut edge', () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 90, max: 250 }),
          fc.integer({ min: 70, max: 180 }),
          fc.integer({ min: 14, max: 30 }),
          fc.integer({ min: 30, max: 60 }),
          (w, h, seamMm, flapMm) => {
            const blank = style.blank({ insideWidthMm: w, insideHeightMm: h, seamMm, flapMm });
            for (const area of blank.glue)
              for (const corner of area.corners) {
                expect(within(corner, blank.outline), `${area.id}`).to.be.true;
                blank.outline.forEach((a, i) =>
                  expect(distance(corner, a, blank.outline[(i + 1) % blank.outline.length]!)).to.be.at.least(2.8),
                );
              }
          },
        ),
      );
    });

    it('has an inside as wide and as high as asked, between its creases', () => {
      const { creases } = style.blank({ insideWidthMm: 141, insideHeightMm: 101, seamMm: 18, flapMm: 42 });
      const [left, right, back, flap] = creases;
      expect(right!.from.xMm - left!.from.xMm).to.equal(141);
      expect(back!.from.yMm - flap!.from.yMm).to.equal(101);
    });
  });

describe('a square flap', () => {
  it('is straight, a millimetre in at each side, and as deep as it is set', () => {
    const { outline } = envelopeStyle('squareFlap').blank({
      insideWidthMm: 140,
      insideHeightMm: 100,
      seamMm: 18,
      flapMm: 60,
    });
    const tip = outline.filter(({ yMm }) => yMm === 0).map(({ xMm }) => xMm);
    const fold = outline.filter(({ yMm }) => yMm === 60).map(({ xMm }) => xMm);
    // The front lies from 18 to 158 mm.
    expect(tip).to.deep.equal([19, 157]);
    expect(fold).to.have.members([18, 19, 157, 158]);
  });

  it('is chosen like anything else, and its envelope holds the same card', () => {
    const of = (style: 'sideSeam' | 'squareFlap') =>
      plan(
        jobWith(
          ...sized('sideFold', 96, 136),
          decide((job) => job.envelope.make, true),
          decide((job) => job.envelope.style, style),
        ),
      ).envelope;
    const [side, square] = [of('sideSeam'), of('squareFlap')];
    expect([square.insideWidthMm, square.insideHeightMm]).to.deep.equal([side.insideWidthMm, side.insideHeightMm]);
    expect(square.flapMm).to.equal(Math.round(square.insideHeightMm * 0.6));
    expect(square.verdict).to.match(/square-flap envelopes?/);
  });
});

describe('planEnvelope', () => {
  const job = jobWith(
    ...sized('sideFold', 96, 136),
    decide((job) => job.envelope.make, true),
    decide((job) => job.envelope.stockId, 'reed-120-a4'),
  );

  it('fits its card well, thickness and all', () => {
    const { envelope, size } = plan(job);
    const fit = fitEnvelope({ widthMm: 96, heightMm: 136, thicknessMm: size.thicknessMm }, envelope);
    expect(fit.word).to.equal('good');
    expect(fit.slackWidthMm).to.be.closeTo(4, 1e-9);
    expect(envelope.up).to.equal(1);
  });

  it('says which sheet would do when the blank is too large, and the remedies do', () => {
    const large = changeJob(job, sized('sideFold', 148, 190));
    const { envelope } = plan(large);
    const snag = envelope.snags.find((s) => s.id === 'envelope-sheet')!;
    expect(envelope.up).to.equal(0);
    expect(snag.why).to.match(/smallest sheet that would do is (A3|tabloid)/);
    expect(snag.remedies.length).to.be.greaterThan(0);
    for (const remedy of snag.remedies)
      expect(plan(changeJob(large, remedy.changes)).envelope.up, remedy.label).to.be.greaterThan(0);
  });
});
