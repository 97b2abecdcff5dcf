import { expect } from 'chai';
import { correctionsInForce } from '../../../src/workshop/calibration/chooseCalibration.ts';
import { correctPage } from '../../../src/workshop/calibration/correctPage.ts';
import { drawCalibration } from '../../../src/workshop/calibration/drawCalibration.ts';
import { calibrationMarks, isCalibratable } from '../../../src/workshop/calibration/marks.ts';
import { sayRegister } from '../../../src/workshop/calibration/sayRegister.ts';
import { CROSSES, type Calibration, type Readings, type Register } from '../../../src/workshop/calibration/types.ts';
import { apply, IDENTITY } from '../../../src/ground/geometry/affine.ts';
import type { Shape } from '../../../src/ground/scene/types.ts';
import { workshop } from '../../support.ts';

const A4 = { widthMm: 210, heightMm: 297 };
const even = { top: 3.4, right: 3.4, bottom: 3.4, left: 3.4 };
const asked = {
  sheet: A4,
  marginsMm: even,
  about: 'the Gull inkjet, straight rear feed, 300 gsm',
  date: '2026-12-04',
  unit: 'mm',
} as const;

/** Straight lines of a page as numbers: from, to. */
const linesOf = (shapes: readonly Shape[]): readonly (readonly [number, number, number, number])[] =>
  shapes.flatMap((shape) => {
    if (shape.kind !== 'path' || shape.path.length !== 2) return [];
    const [a, b] = shape.path;
    return a!.kind === 'move' && b!.kind === 'line' ? [[a!.to.xMm, a!.to.yMm, b!.to.xMm, b!.to.yMm] as const] : [];
  });
const has = (lines: ReturnType<typeof linesOf>, wanted: readonly number[]): boolean =>
  lines.some((line) => line.every((mm, i) => Math.abs(mm - wanted[i]!) < 1e-6));
const labelsOf = (shapes: readonly Shape[]) =>
  shapes.flatMap((shape) => (shape.kind === 'label' ? [{ text: shape.text, at: shape.at }] : []));
/** The arrowhead is the only closed triangle; its first corner is the tip. */
const tipOf = (shapes: readonly Shape[]): number => {
  const head = shapes.find((shape) => shape.kind === 'path' && shape.path.length === 4)!;
  const part = head.kind === 'path' ? head.path[0]! : null;
  return part?.kind === 'move' ? part.to.yMm : NaN;
};

describe('the calibration sheet', () => {
  const page = (side: 'front' | 'back', flipEdge: 'long' | 'short' = 'long') =>
    drawCalibration({ ...asked, flipEdge }, side).scene.shapes;

  it('has rules from end to end about its middle, a tick every centimetre, longer at the ends', () => {
    const lines = linesOf(page('front'));
    // 150 mm across from 30 to 180, at half the height; 200 mm down from 48.5 to 248.5.
    expect(has(lines, [30, 148.5, 180, 148.5])).to.equal(true);
    expect(has(lines, [105, 48.5, 105, 248.5])).to.equal(true);
    for (let mm = 0; mm <= 150; mm += 10) {
      const reach = mm === 0 || mm === 150 ? 4 : mm % 50 === 0 ? 2.4 : 1.4;
      expect(has(lines, [30 + mm, 148.5 - reach, 30 + mm, 148.5 + reach]), `${mm} mm across`).to.equal(true);
    }
    expect(has(lines, [101, 48.5, 109, 48.5]) && has(lines, [101, 248.5, 109, 248.5])).to.equal(true);
    // Rules are measured on the front alone.
    expect(has(linesOf(page('back')), [30, 148.5, 180, 148.5])).to.equal(false);
  });

  it('has crosses of 7 mm arms 13.4 mm in, plain on the front, with a scale of half millimetres on the back', () => {
    const [front, back] = [linesOf(page('front')), linesOf(page('back'))];
    for (const [x, y] of [
      [13.4, 13.4],
      [196.6, 13.4],
      [13.4, 283.6],
      [196.6, 283.6],
    ] as const)
      for (const lines of [front, back]) {
        expect(has(lines, [x - 7, y, x + 7, y]), `${x}, ${y}`).to.equal(true);
        expect(has(lines, [x, y - 7, x, y + 7]), `${x}, ${y}`).to.equal(true);
      }
    // Eight ticks each way, every other one long: ±0.5 short, ±1 long, to ±4.
    for (const [off, reach] of [
      [0.5, 0.7],
      [1, 1.4],
      [-3.5, 0.7],
      [4, 1.4],
      [-4, 1.4],
    ] as const) {
      expect(has(back, [13.4 + off, 13.4 - reach, 13.4 + off, 13.4 + reach]), `${off}`).to.equal(true);
      expect(has(back, [13.4 - reach, 13.4 + off, 13.4 + reach, 13.4 + off]), `${off}`).to.equal(true);
      expect(has(front, [13.4 + off, 13.4 - reach, 13.4 + off, 13.4 + reach]), `${off}`).to.equal(false);
    }
    expect(has(back, [13.4 + 4.5, 13.4 - 0.7, 13.4 + 4.5, 13.4 + 0.7])).to.equal(false);
  });

  it('names its crosses as the front is read, on the back where the paper has them', () => {
    const nameAt = (side: 'front' | 'back', flipEdge: 'long' | 'short', name: string) => {
      const { at } = labelsOf(page(side, flipEdge)).find(({ text }) => text === name)!;
      return [at.xMm < 105 ? 'left' : 'right', at.yMm < 148.5 ? 'head' : 'foot'].join(' ');
    };
    expect(['A', 'B', 'C', 'D'].map((name) => nameAt('front', 'long', name))).to.deep.equal([
      'left head',
      'right head',
      'left foot',
      'right foot',
    ]);
    // Turned like a page, A is behind what is now the upper right; head over foot, behind the lower left.
    expect(['A', 'B', 'C', 'D'].map((name) => nameAt('back', 'long', name))).to.deep.equal([
      'right head',
      'left head',
      'right foot',
      'left foot',
    ]);
    expect(['A', 'B', 'C', 'D'].map((name) => nameAt('back', 'short', name))).to.deep.equal([
      'left foot',
      'right foot',
      'left head',
      'right head',
    ]);
    // Names stand inwards of their crosses, clear of the scale where there is one.
    for (const side of ['front', 'back'] as const)
      for (const { text, at } of labelsOf(page(side)).filter((label) => /^[A-D]$/.test(label.text))) {
        const inwards = Math.min(at.xMm, 210 - at.xMm) - 13.4;
        expect(inwards, `${side} ${text}`).to.be.closeTo(side === 'front' ? 5 : 9, 1e-6);
      }
  });

  it('has an arrow to the same edge of the paper on both sides', () => {
    expect(tipOf(page('front'))).to.be.below(148.5);
    // Like a page, the head stays at the head; head over foot it is at the foot.
    expect(tipOf(page('back', 'long'))).to.be.below(148.5);
    expect(tipOf(page('back', 'short'))).to.be.above(148.5);
    expect(tipOf(page('front'))).to.be.closeTo(148.5 - 0.3 * 297, 1e-9);
  });

  it('says what it is of, with the day where there is one, one line below another', () => {
    const labels = labelsOf(page('front')).filter(({ at }) => at.xMm === 113);
    expect(labels.map(({ text }) => text)).to.deep.equal([
      'Front · print at 100 %, no fit',
      'the Gull inkjet',
      'straight rear feed',
      '300 gsm',
      '150 mm across, 200 mm down, end to end',
      '2026-12-04',
    ]);
    const heights = labels.map(({ at }) => at.yMm);
    expect(heights[0]).to.equal(164.5);
    for (const [i, y] of heights.slice(1).entries()) expect(y - heights[i]!).to.be.closeTo(5.1, 1e-9);
    const undated = drawCalibration({ ...asked, flipEdge: 'long', date: null }, 'front').scene.shapes;
    expect(labelsOf(undated).length).to.equal(labelsOf(page('front')).length - 1);
    expect(labelsOf(page('back', 'short')).map(({ text }) => text)).to.include('Back · turned on the short edge');
  });

  it('keeps clear of the widest margin on every side, and wants room for four crosses', () => {
    const marks = calibrationMarks(A4, { top: 3, right: 4, bottom: 12.7, left: 5 });
    expect(
      CROSSES.map((cross) => [marks.crosses[cross].xMm, marks.crosses[cross].yMm].map((mm) => Number(mm.toFixed(6)))),
    ).to.deep.equal([
      [22.7, 22.7],
      [187.3, 22.7],
      [22.7, 274.3],
      [187.3, 274.3],
    ]);
    // 164.6 mm between them hold a rule of 150; 251.6 one of 200.
    expect([marks.ruleAcross.lengthMm, marks.ruleDown.lengthMm]).to.deep.equal([150, 200]);
    // Crosses 26.8 mm in all from the edges, and 28 mm for their arms between.
    expect(isCalibratable({ widthMm: 54.8, heightMm: 297 }, even)).to.equal(true);
    expect(isCalibratable({ widthMm: 54.7, heightMm: 297 }, even)).to.equal(false);
    expect(isCalibratable({ widthMm: 210, heightMm: 54.7 }, even)).to.equal(false);
    expect(calibrationMarks({ widthMm: 40, heightMm: 200 }, even).ruleAcross.lengthMm).to.equal(20);
  });
});

const plain: Readings = {
  ruleAcrossMm: 150,
  ruleDownMm: 200,
  crosses: {
    topLeft: { rightMm: 0, lowMm: 0 },
    topRight: { rightMm: 0, lowMm: 0 },
    bottomLeft: { rightMm: 0, lowMm: 0 },
    bottomRight: { rightMm: 0, lowMm: 0 },
  },
  edges: null,
  arrows: 'same',
};

describe('what a calibration says', () => {
  const register = (part: Partial<Register>): Register => ({
    ...{ front: IDENTITY, back: IDENTITY, scaleAcross: 1, scaleDown: 1, frontMiss: null, frontTurnDeg: 0 },
    ...{ backMiss: { rightMm: 0, lowMm: 0 }, backTurnDeg: 0, backScale: 1, unexplainedMm: 0 },
    ...part,
  });
  const said = (part: Partial<Register>, readings: Partial<Readings> = {}, unit: 'mm' | 'in' = 'mm') =>
    sayRegister(register(part), { ...plain, ...readings }, unit);

  it('is that all is well where nothing can be seen', () => {
    expect(said({})).to.deep.equal(['The scale is true.', 'Your backs land on your fronts.']);
    expect(said({ frontMiss: { rightMm: 0, lowMm: 0 } })[2]).to.equal('Fronts land in the middle of the sheet.');
  });

  it('is the way and the size of each miss, in a unit fine enough', () => {
    expect(said({ backMiss: { rightMm: -0.3, lowMm: -0.8 } })[1]).to.equal(
      'Your backs land 0.8 mm high and 0.3 mm left of the fronts, seen from the front.',
    );
    expect(said({ backMiss: { rightMm: 0.3, lowMm: 0 } }, {}, 'in')[1]).to.equal(
      'Your backs land 0.012 in right of the fronts, seen from the front.',
    );
    expect(said({ backTurnDeg: 0.2 })[1]).to.equal('Your backs are turned 0.20° clockwise against the fronts.');
    expect(said({ backTurnDeg: -0.2, backMiss: { rightMm: 0.5, lowMm: 0 } })[1]).to.equal(
      'Your backs land 0.5 mm right of the fronts, turned 0.20° anticlockwise, seen from the front.',
    );
    expect(said({ backTurnDeg: 0.029 })[1]).to.equal('Your backs land on your fronts.');
    expect(said({ backTurnDeg: 0.03 })[1]).to.contain('0.03° clockwise');
    expect(said({ frontMiss: { rightMm: 0.4, lowMm: -0.3 }, frontTurnDeg: 0.09 })[2]).to.equal(
      'Fronts land 0.3 mm high and 0.4 mm right, turned 0.09° clockwise on the sheet.',
    );
    expect(said({ frontMiss: { rightMm: 0, lowMm: 0 }, frontTurnDeg: 0.09 })[2]).to.equal(
      'Fronts land turned 0.09° clockwise on the sheet.',
    );
  });

  it('is a scale that paper may have, or a driver that fits the page', () => {
    expect(said({ scaleAcross: 0.9987, scaleDown: 1.002 })[0]).to.equal(
      'Prints come out 0.13 % small across and 0.20 % large down.',
    );
    expect(said({ scaleAcross: 1.0006, scaleDown: 1 })[0]).to.match(/^Prints come out 0\.06 % large/);
    expect(said({ scaleAcross: 1.0004, scaleDown: 1 })[0]).to.equal('The scale is true.');
    expect(said({ scaleAcross: 0.97, scaleDown: 0.97 })[0]).to.match(
      /^Everything prints 3\.00 % small across and 3\.00 % small down\. .*fits the page/,
    );
    expect(said({ scaleAcross: 1, scaleDown: 1.03 })[0]).to.match(/3\.00 % large down/);
  });

  it('is gravest first: head to foot, and a cross to be read again last', () => {
    expect(said({}, { arrows: 'opposite' })[0]).to.match(/^The backs come out head to foot/);
    expect(said({ unexplainedMm: 0.3 })).to.have.length(2);
    expect(said({ unexplainedMm: 0.31 }).at(-1)).to.match(/^One cross is 0\.3 mm off what the other three say/);
  });
});

describe('a calibration in force', () => {
  const measured = (part: Partial<Calibration>): Calibration => ({
    ...{
      id: 'c',
      day: '2026-11-27',
      gsm: 300,
      sheetWidthMm: 210,
      sheetHeightMm: 297,
      marginsMm: even,
      flipEdge: 'long',
    },
    ...{
      laidBack: '',
      setAside: false,
      readings: {
        ...plain,
        crosses: Object.fromEntries(CROSSES.map((c) => [c, { rightMm: 0.3, lowMm: 0.8 }])) as Readings['crosses'],
      },
    },
    ...part,
  });
  const inForce = (calibrations: readonly Calibration[], gsm = 300) =>
    correctionsInForce({ ...workshop.printers[0]!.paths[0]!, calibrations }, gsm, A4);

  it('moves a back against what was measured, and leaves a front that lands true', () => {
    const found = inForce([measured({})])!;
    expect(found.from.id).to.equal('c');
    const moved = (side: 'front' | 'back') => {
      const page = {
        scene: { box: { xMm: 0, yMm: 0, ...A4 }, symbols: {}, shapes: [] },
        trimBox: { xMm: 0, yMm: 0, ...A4 },
        bleedBox: { xMm: 0, yMm: 0, ...A4 },
      };
      const [group] = correctPage(page, found, side).scene.shapes;
      const at = apply(group!.kind === 'group' ? group!.transform : IDENTITY, { xMm: 105, yMm: 148.5 });
      return [at.xMm - 105, at.yMm - 148.5].map((mm) => Number(mm.toFixed(6)));
    };
    expect(moved('front').map(Math.abs)).to.deep.equal([0, 0]);
    // 0.3 right and 0.8 low as the front is read; on the back’s own page, turned like a book, right is left.
    expect(moved('back')).to.deep.equal([0.3, -0.8]);
    const page = drawCalibration({ ...asked, flipEdge: 'long' }, 'front');
    expect(correctPage(page, null, 'back')).to.equal(page);
  });

  it('is of a weight within an eighth, the nearest of them and of those the newest', () => {
    expect(inForce([], 300)).to.equal(null);
    expect(inForce([measured({ gsm: 263 })], 300)!.from.gsm).to.equal(263);
    expect(inForce([measured({ gsm: 262 })], 300)).to.equal(null);
    expect(inForce([measured({ gsm: 262.5 })], 300)).to.not.equal(null);
    expect(inForce([measured({ gsm: 280 }), measured({ gsm: 310, id: 'near' })])!.from.id).to.equal('near');
    expect(
      inForce([measured({ id: 'old', day: '2026-01-01' }), measured({ id: 'new', day: '2026-02-01' })])!.from.id,
    ).to.equal('new');
    expect(
      inForce([measured({ id: 'new', day: '2026-02-01' }), measured({ id: 'old', day: '2026-01-01' })])!.from.id,
    ).to.equal('new');
    expect(inForce([measured({ id: 'first' }), measured({ id: 'second' })])!.from.id).to.equal('second');
    expect(inForce([measured({ setAside: true })])).to.equal(null);
  });

  it('corrects nothing where backs come out head to foot, or a driver fitted the page', () => {
    expect(inForce([measured({ readings: { ...plain, arrows: 'opposite' } })])).to.equal(null);
    expect(inForce([measured({ readings: { ...plain, ruleAcrossMm: 145.5, ruleDownMm: 194 } })])).to.equal(null);
  });
});
