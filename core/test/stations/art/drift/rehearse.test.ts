import { expect } from 'chai';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import { simulateDrift, driftFacts } from '../../../../src/stations/art/drift/driftLab.ts';
import { rehearse } from '../../../../src/stations/art/drift/rehearse.ts';
import { apply, turnOf } from '../../../../src/ground/geometry/affine.ts';
import { misprints } from '../../../../src/files/standins/misprints.ts';
import { readByEye, STAND_IN_PRINTER, type PrinterTruth } from '../../../../src/files/standins/printer.ts';
import { correctionsFor, fitRegister } from '../../../../src/workshop/calibration/fitRegister.ts';
import type { SheetPlan } from '../../../../src/stations/sheet/types.ts';
import { FORMATS } from '../../../../src/stations/size/formats/index.ts';
import { jobWith, plan, sized } from '../../../support.ts';

const still = { biasRightMm: 0, biasDownMm: 0, cutSpreadMm: 0, printSpreadMm: 0 };
const ground = (...faces: readonly string[]): readonly JobChange[] =>
  faces.map((face) => decide((job) => job.art.faces.at(face), { background: '#14263c', picture: null, texts: [] }));
const run = (changes: readonly JobChange[], model: Partial<typeof still>, cards = 20, outOf = cards) => {
  const made = plan(jobWith(...changes));
  const faces = made.art.faces.map((one) => ({ ...one.face, facts: driftFacts(one, made.size, 3) }));
  return rehearse(faces, { ...still, ...model }, [], { cards, outOf, seed: 7 });
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

describe('a rehearsal through the stand-in printer', () => {
  const side = [...sized('sideFold', 96, 136), ...ground('front', 'back', 'insideFront', 'insideBack')];
  const TRUE: PrinterTruth = {
    ...STAND_IN_PRINTER,
    ...{ scaleAcross: 1, scaleDown: 1 },
    front: { rightMm: 0, lowMm: 0, turnDeg: 0 },
    back: { rightMm: 0, lowMm: 0, turnDeg: 0 },
  };
  const through = (truth: Partial<PrinterTruth>) => {
    const made = plan(jobWith(...side));
    const faces = made.art.faces.map((one) => ({ ...one.face, facts: driftFacts(one, made.size, 3) }));
    const all = misprints(made.sheet, 'long', { ...TRUE, ...truth });
    expect(all).to.have.length(made.sheet.up);
    const { cards } = rehearse(faces, still, all, { cards: all.length, outOf: all.length, seed: 7 });
    return { made, cards: [...cards].sort((a, b) => a.number - b.number) };
  };

  it('prints true where the stand-in does', () => {
    for (const { landings } of through({}).cards)
      for (const mm of Object.values(landings.front!)) expect(mm).to.be.closeTo(0, 1e-9);
  });

  it('lays the fronts as far off as it prints them, on the card as it lies on its sheet', () => {
    const { made, cards } = through({ front: { rightMm: 1, lowMm: 0.4, turnDeg: 0 } });
    made.sheet.placements.forEach(({ toSheet: [a, b, c, d] }, i) => {
      // What is right and down on the sheet, along what is right and down on the blank that lies there.
      const [right, low] = [a + 0.4 * b, c + 0.4 * d];
      const { front, insideFront } = cards[i]!.landings;
      // Print that lies to the right leaves less of it at the right of the card; the fold is where it is.
      expect([front!.left, front!.right + right]).to.deep.equal([0, 0]);
      expect(front!.top).to.be.closeTo(low, 1e-9);
      expect(front!.bottom).to.be.closeTo(-low, 1e-9);
      expect(insideFront!.left).to.be.closeTo(0, 1e-9);
    });
  });

  it('spreads a page that is printed large about the middle of the sheet', () => {
    const { made, cards } = through({ scaleAcross: 1.01, scaleDown: 1.01 });
    const middle = { xMm: made.sheet.sheetWidthMm / 2, yMm: made.sheet.sheetHeightMm / 2 };
    made.sheet.placements.forEach(({ toSheet }, i) => {
      const { widthMm, heightMm } = made.size.form.blank;
      // The front is the right half of the blank; its open edge is the blank’s right.
      const edge = { xMm: widthMm, yMm: heightMm / 2 };
      const on = apply(toSheet, edge);
      const off = { xMm: 0.01 * (on.xMm - middle.xMm), yMm: 0.01 * (on.yMm - middle.yMm) };
      const [a, b] = toSheet;
      // Along what is right on the blank, wherever that points on the sheet.
      expect(cards[i]!.landings.front!.right).to.be.closeTo(-(off.xMm * a + off.yMm * b), 1e-9);
    });
  });

  it('misses by no more than its back does where the page is corrected by what was measured', () => {
    const made = plan(jobWith(...side));
    const truth: PrinterTruth = { ...STAND_IN_PRINTER, back: { rightMm: 1.2, lowMm: -0.8, turnDeg: 0.3 } };
    const paper = { widthMm: made.sheet.sheetWidthMm, heightMm: made.sheet.sheetHeightMm };
    const margins = { top: 5, right: 5, bottom: 5, left: 5 };
    const turn = turnOf(paper, 'long');
    const register = fitRegister(paper, margins, readByEye(truth, paper, margins, 0.01, turn));
    const corrections = correctionsFor(paper, { sheet: paper, turn }, register);
    const worst = (sheet: SheetPlan): number =>
      Math.max(
        ...misprints(sheet, 'long', truth).flatMap(({ outside, inside }) =>
          [outside, inside].flatMap((map) =>
            [
              [0, 0],
              [192, 136],
            ].map(([xMm, yMm]) => {
              const at = apply(map, { xMm: xMm!, yMm: yMm! });
              return Math.hypot(at.xMm - xMm!, at.yMm - yMm!);
            }),
          ),
        ),
      );
    expect(worst(made.sheet)).to.be.above(1);
    const calibrated = { ...made.sheet, calibration: { corrections } as unknown as SheetPlan['calibration'] };
    expect(worst(calibrated)).to.be.below(0.12);
  });
});
