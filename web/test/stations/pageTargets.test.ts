import { expect } from 'chai';
import { decide, changeJob, newJob, planJob, type Job, type Plan } from '@zippy/core';
import { partsFor, sayParts, targetsOf } from '../../src/stations/art/pageTargets.ts';
import { workshop } from '../support.ts';

const A4 = { widthMm: 210, heightMm: 297 };
const TWO_DEEP = [workshop.stocks[0]!.id, workshop.stocks[0]!.id];
const job: Job = changeJob(newJob('Pages', workshop), [
  decide((job) => job.size.finishedWidthMm, 100),
  decide((job) => job.size.finishedHeightMm, 140),
  decide(
    (job) => job.size.layers,
    [{ id: 'mat1', kind: 'mat', faces: ['front', 'insideBack'], revealMm: 2, stockIds: TWO_DEEP }],
  ),
]);
const plan: Plan = planJob(job, workshop, { typefaces: new Map(), today: null });

describe('targets of a page', () => {
  const targets = targetsOf(plan);

  it('are each layer once, with its bleed, and every face with its own', () => {
    expect(targets.map(({ name }) => name)).to.deep.equal([
      'Mat 2, front and 1 more',
      ...plan.art.faces.map(({ face }) => face.name),
    ]);
    // The upper of two, each 2 mm inside the last: 100 × 140 less twice 4 mm, and twice 3 mm of bleed.
    expect([targets[0]!.widthMm, targets[0]!.heightMm]).to.deep.equal([98, 138]);
  });

  it('put their picture where it belongs, and leave the rest of a face alone', () => {
    const picture = { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
    const withWords = changeJob(job, [
      decide((job) => job.art.faces.at('front'), { background: '#ffffff', picture: null, texts: [] }),
    ]);
    const done = changeJob(
      withWords,
      targets.map((target) => target.change(withWords, picture)),
    );
    expect(done.size.layers[0]!.picture).to.equal(picture);
    expect(done.art.faces.front).to.deep.equal({ background: '#ffffff', picture, texts: [] });
  });

  it('of one size take one part of the page after another, and begin again when it is used up', () => {
    const front = targets.find(({ id }) => id === 'face front')!;
    const five = Array.from({ length: 5 }, (_, i) => ({ ...front, id: `face ${i}` }));
    const parts = [...partsFor(A4, five, true).values()].map((part) => part!.onPage);
    // 103 × 146 with bleed at three sides: two by two on A4.
    expect(new Set(parts.map(({ xMm, yMm }) => `${xMm} ${yMm}`)).size).to.equal(4);
    expect(parts[4]).to.deep.equal(parts[0]);
    const same = [...partsFor(A4, five, false).values()].map((part) => part!.onPage);
    expect(same.every((box) => box === same[0] || JSON.stringify(box) === JSON.stringify(same[0]))).to.equal(true);
  });

  it('that are larger than the page have no part of it, and that is said', () => {
    const large = { ...targets[0]!, widthMm: 300, heightMm: 400 };
    expect(partsFor(A4, [large], true).get(large.id)).to.equal(null);
    expect(sayParts(A4, [large], 'mm')).to.equal('The page is smaller than 300 × 400 mm.');
    expect(sayParts(A4, [{ ...large, widthMm: 90, heightMm: 200 }], 'mm')).to.match(
      /^One page gives 3 of 90 × 200 mm, bleed and all, all turned because more fit\.$/,
    );
  });
});
