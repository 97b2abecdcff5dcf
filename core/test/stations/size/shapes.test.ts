import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { boxAround } from '../../../src/ground/geometry/box.ts';
import { areaOf, contains, FLATNESS_MM } from '../../../src/ground/geometry/polygon.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { SHAPE_IDS } from '../../../src/job/format.ts';
import { hingeFacts, LEAST_HINGE_SHARE } from '../../../src/stations/size/formats/parts/hinge.ts';
import { settleOptions } from '../../../src/stations/size/formats/index.ts';
import { ownOutline, shapeOutline } from '../../../src/stations/size/formats/parts/shapes.ts';
import { jobWith, plan, sized } from '../../support.ts';
import { runs } from '../../runs.ts';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const drawn = SHAPE_IDS.filter((id) => id !== 'own');

describe('shapes', () => {
  for (const id of drawn)
    it(`${id}: fills its box and nothing beside it`, () => {
      fc.assert(
        fc.property(mm(30, 300), mm(30, 300), (w, h) => {
          const box = boxAround(shapeOutline(id, '', w, h));
          expect(box.xMm).to.be.closeTo(0, FLATNESS_MM);
          expect(box.yMm).to.be.closeTo(0, FLATNESS_MM);
          expect(box.widthMm).to.be.closeTo(w, 2 * FLATNESS_MM);
          expect(box.heightMm).to.be.closeTo(h, 2 * FLATNESS_MM);
        }),
        { numRuns: runs(30) },
      );
    });

  it('an oval keeps within five microns of the ellipse it stands for', () => {
    fc.assert(
      fc.property(mm(30, 300), mm(30, 300), (w, h) => {
        const outline = shapeOutline('oval', '', w, h);
        // Inscribed: never outside, and its area falls short by less than the flatness along the whole rim.
        const ellipse = (Math.PI * w * h) / 4;
        expect(areaOf(outline)).to.be.at.most(ellipse);
        expect(ellipse - areaOf(outline)).to.be.lessThan(Math.PI * Math.max(w, h) * FLATNESS_MM);
      }),
    );
  });

  it('reads a path of one’s own: lines, curves, quadratics, arcs, relative or not, and stretches it to size', () => {
    // A circle of two arcs stretched to 60 × 40: an ellipse.
    const round = ownOutline('m 5 0 a 5 5 0 1 1 0 10 a 5 5 0 1 1 0 -10 z', 60, 40);
    if (!round.ok) throw new Error(round.why);
    expect(areaOf(round.polygon)).to.be.closeTo((Math.PI * 60 * 40) / 4, 2);
    const triangle = ownOutline('M0 0H10V10Z', 30, 30);
    if (!triangle.ok) throw new Error(triangle.why);
    expect(areaOf(triangle.polygon)).to.be.closeTo(450, 1e-6);
    expect(contains(triangle.polygon, { xMm: 20, yMm: 10 })).to.equal(true);
    expect(contains(triangle.polygon, { xMm: 10, yMm: 20 })).to.equal(false);
    // A parabola from (0,0) to (10,0) with its handle at (5,10) encloses two thirds of its triangle: 33.3 of 50.
    const arch = ownOutline('M0 0Q5 10 10 0Z', 10, 5);
    if (!arch.ok) throw new Error(arch.why);
    expect(areaOf(arch.polygon)).to.be.closeTo((2 / 3) * 50, 0.1);
  });

  for (const [what, path, why] of [
    ['nothing', '  ', /empty/],
    ['words', 'a heart please', /not SVG path data/],
    ['a line', 'M0 0L10 10', /no area/],
    ['points in line', 'M0 0L5 5L10 10Z', /no area|not in line/],
    ['a shape with a hole', 'M0 0h9v9h-9zM2 2h2v2h-2z', /2 figures/],
  ] as const)
    it(`says why ${what} cannot be cut out`, () => {
      const read = ownOutline(path, 50, 50);
      expect(read.ok).to.equal(false);
      if (!read.ok) expect(read.why).to.match(why);
    });

  it('sets every drawn shape on a sound hinge when left to itself', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...drawn),
        fc.constantFrom<('left' | 'top')[]>('left', 'top'),
        mm(50, 200),
        mm(50, 200),
        (shape, hinge, widthMm, heightMm) => {
          fc.pre(Math.max(widthMm, heightMm) < 2 * Math.min(widthMm, heightMm));
          const finish = { widthMm, heightMm };
          const facts = hingeFacts(finish, settleOptions('hingedShape', finish, { shape, hinge }).options);
          expect(facts.broken).to.equal(false);
          expect(facts.hingeMm / facts.extentMm).to.be.at.least(LEAST_HINGE_SHARE);
        },
      ),
      // A tall heart hinged on top: its notch is deeper than half its width.
      { numRuns: runs(80), examples: [['heart', 'top', 50, 97.9417117647059]] },
    );
  });

  it('a circle’s hinge by hand: inset d of diameter D is a chord of 2·√(d·(D − d))', () => {
    const finish = { widthMm: 90, heightMm: 100 };
    const facts = hingeFacts(finish, settleOptions('hingedShape', finish, { shape: 'oval', hingeInsetMm: 10 }).options);
    expect(facts.hingeMm).to.be.closeTo(2 * Math.sqrt(10 * 90), 0.05);
  });

  it('says when an oval all but is a circle, and makes it one', () => {
    const job = jobWith(
      ...sized('hingedShape', 92, 100),
      decide((job) => job.size.options, { shape: 'oval', hingeInsetMm: 10 }),
    );
    const snag = plan(job).size.snags.find((s) => s.id === 'size-nearly-round')!;
    expect(snag.title).to.equal('An oval 2 mm off a circle');
    const round = changeJob(job, snag.remedies[0]!.changes);
    expect(round.size.finishedWidthMm).to.equal(90);
    expect(plan(round).size.snags.map((s) => s.id)).not.to.include('size-nearly-round');
  });

  it('warns of a hinge under a third, and each remedy gives a sounder one', () => {
    const job = jobWith(
      ...sized('hingedShape', 98, 100),
      decide((job) => job.size.options, { shape: 'oval', hingeInsetMm: 1 }),
    );
    // The whole outline is 99 × 100: 100/99 · 2·√(1·98) = 20.0 mm of 100.
    const snag = plan(job).size.snags.find((s) => s.id === 'size-hinge-short')!;
    expect(snag.title).to.match(/^The hinge is only 20 mm long/);
    expect(snag.remedies.length).to.be.greaterThan(0);
    for (const remedy of snag.remedies)
      expect(plan(changeJob(job, remedy.changes)).size.snags.map((s) => s.id)).not.to.include('size-hinge-short');
  });
});
