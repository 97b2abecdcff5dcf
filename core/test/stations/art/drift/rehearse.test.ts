import { expect } from 'chai';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import { simulateDrift, driftFacts } from '../../../../src/stations/art/drift/driftLab.ts';
import { rehearse } from '../../../../src/stations/art/drift/rehearse.ts';
import { FORMATS } from '../../../../src/stations/size/formats/index.ts';
import { jobWith, plan, sized } from '../../../support.ts';

const still = { biasRightMm: 0, biasDownMm: 0, cutSpreadMm: 0, printSpreadMm: 0 };
const ground = (...faces: readonly string[]): readonly JobChange[] =>
  faces.map((face) => decide((job) => job.art.faces.at(face), { background: '#14263c', picture: null, texts: [] }));
const run = (changes: readonly JobChange[], model: Partial<typeof still>, cards = 20, outOf = cards) => {
  const made = plan(jobWith(...changes));
  const faces = made.art.faces.map((one) => ({ ...one.face, facts: driftFacts(one, made.size, 3) }));
  return rehearse(faces, { ...still, ...model }, { cards, outOf, seed: 7 });
};

describe('a rehearsal', () => {
  const side = [...sized('sideFold', 96, 136), ...ground('front', 'back', 'insideFront', 'insideBack')];

  it('makes twenty good cards where nothing strays', () => {
    const { cards, good } = run(side, {});
    expect([cards.length, good]).to.deep.equal([20, 20]);
    for (const { landings } of cards) for (const mm of Object.values(landings.front!)) expect(mm).to.equal(0);
  });

  it('cuts every edge of the blank once, for all the faces that meet there', () => {
    const { cards } = run(side, { cutSpreadMm: 0.5, biasRightMm: 0.3, biasDownMm: -0.2 });
    for (const { landings } of cards) {
      const [front, back, left, right] = ['front', 'back', 'insideFront', 'insideBack'].map((id) => landings[id]!);
      // The open edge of the cover is the front’s right and, turned over, the left of what is inside it.
      expect(front!.right).to.equal(left!.left);
      expect(back!.left).to.equal(right!.right);
      for (const other of [back, left, right])
        expect([other!.top, other!.bottom]).to.deep.equal([front!.top, front!.bottom]);
      expect(front!.right).to.not.equal(back!.left);
    }
    // Over the top of a tent the back stands on its head.
    for (const { landings } of run([...sized('tentFold', 136, 96), ...ground('front', 'back')], { cutSpreadMm: 0.5 })
      .cards) {
      expect(landings.front!.left).to.equal(landings.back!.right);
      expect(landings.front!.bottom).to.not.equal(landings.back!.bottom);
    }
  });

  it('knows every edge of every format, however its faces are turned', () => {
    for (const { id } of FORMATS) {
      const { cards } = run([decide((job) => job.size.format, id)], { cutSpreadMm: 0.5, printSpreadMm: 0.5 }, 2);
      for (const landing of Object.values(cards[0]!.landings))
        for (const mm of Object.values(landing)) expect(Number.isFinite(mm), id).to.equal(true);
    }
  });

  it('lays the print of a side askew as a whole, and each side for itself', () => {
    for (const { landings } of run(side, { printSpreadMm: 0.5 }).cards) {
      const [front, back, inside] = ['front', 'back', 'insideFront'].map((id) => landings[id]!);
      expect(front!.top).to.equal(-front!.bottom);
      expect([back!.left, back!.top]).to.deep.equal([-front!.right, front!.top]);
      expect(Math.abs(inside!.top)).to.not.equal(Math.abs(front!.top));
      // A fold is no cut.
      expect([front!.left, back!.right]).to.deep.equal([0, 0]);
    }
  });

  it('agrees with the thousand cards of the drift lab, and puts the worst first', () => {
    const flat = [...sized('flat', 139, 95), ...ground('front')];
    const model = { biasRightMm: 1, cutSpreadMm: 0.9, printSpreadMm: 0.4 };
    const { cards, good } = run(flat, model, 20_000);
    const made = plan(jobWith(...flat));
    const facts = driftFacts(
      made.art.faces.find((f) => f.face.id === 'front')!,
      made.size,
      3,
    );
    const lab = simulateDrift(facts, { ...still, ...model }, { cards: 20_000, wanted: 0.01, seed: 1 });
    expect(lab.share).to.be.above(0.01);
    // Four standard deviations of a share near 3 % over 20,000 cards are half of a per cent.
    expect(1 - good / 20_000).to.be.closeTo(lab.share, 0.006);
    const worst = cards.map(({ faults }) => faults[0]?.byMm ?? 0);
    expect(worst).to.deep.equal([...worst].sort((a, b) => b - a));
    expect(cards.filter(({ faults }) => faults.length === 0)).to.have.length(good);
    // Twenty of a thousand have as many good ones as the thousand have, to a twentieth.
    const few = run(flat, model, 20, 1000);
    const many = run(flat, model, 1000);
    expect(few.cards).to.have.length(20);
    expect(few.good / 20).to.be.closeTo(many.good / 1000, 0.025 + 1e-9);
    // A blade that lands a millimetre to the right shows its slivers on the right.
    expect(cards[0]!.faults[0]!.edge).to.equal('right');
  });
});
