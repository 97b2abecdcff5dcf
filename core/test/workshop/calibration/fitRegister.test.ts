import { expect } from 'chai';
import fc from 'fast-check';
import {
  apply,
  calibrationFor,
  calibrationMarks,
  correctionsFor,
  CROSSES,
  fitRegister,
  isUsable,
  readByEye,
  residueMm,
  sayRegister,
  STAND_IN_PRINTER,
  truthMaps,
  turnOf,
  type Calibration,
  type Cross,
  type FeedPath,
  type PrinterTruth,
  type Readings,
} from '../../../src/index.ts';
import { workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

const A4 = { widthMm: 210, heightMm: 297 };
const margins = { top: 3.4, right: 3.4, bottom: 3.4, left: 3.4 };
const every = (rightMm: number, lowMm: number): Readings['crosses'] =>
  Object.fromEntries(CROSSES.map((c) => [c, { rightMm, lowMm }])) as Record<Cross, { rightMm: number; lowMm: number }>;
const readings = (part: Partial<Readings>): Readings => ({
  ruleAcrossMm: 150,
  ruleDownMm: 200,
  crosses: every(0, 0),
  edges: null,
  arrows: 'same',
  ...part,
});
const lean = fc.double({ min: -1, max: 1, noNaN: true });
const faults: fc.Arbitrary<PrinterTruth> = fc
  .tuple(lean, lean, lean, lean, lean, lean, lean, lean)
  .map(([a, b, c, d, e, f, g, h]) => ({
    marginsMm: margins,
    scaleAcross: 1 + a * 0.008,
    scaleDown: 1 + b * 0.008,
    front: { rightMm: c * 3, lowMm: d * 3, turnDeg: e * 0.6 },
    back: { rightMm: f * 3, lowMm: g * 3, turnDeg: h * 0.6 },
    fitToPage: false,
  }));

describe('fitRegister', () => {
  it('draws the longest rules that fit, crosses as far out as the margins let them be', () => {
    const marks = calibrationMarks(A4, margins);
    expect([marks.ruleAcross.lengthMm, marks.ruleDown.lengthMm]).to.deep.equal([150, 200]);
    // 3.4 margin + 3 clear + 7 of arm
    expect(marks.crosses.topLeft).to.deep.equal({ xMm: 13.4, yMm: 13.4 });
  });

  it('finds a plain shift from four crosses that all say the same', () => {
    const register = fitRegister(A4, margins, readings({ crosses: every(0.3, 0.8) }));
    expect(register.backMiss.rightMm).to.be.closeTo(0.3, 1e-9);
    expect(register.backMiss.lowMm).to.be.closeTo(0.8, 1e-9);
    expect(register.backTurnDeg).to.be.closeTo(0, 1e-9);
    expect(sayRegister(register, readings({}), 'mm')).to.include(
      'Your backs land 0.8 mm low and 0.3 mm right of the fronts, seen from the front.',
    );
  });

  it('finds where the front lies from four distances to the edges, each of them told apart', () => {
    // On A4 the crosses stand 13.4 mm in. Shifted 0.4 right and 0.3 high, and turned a thousandth of a radian clockwise,
    // which takes the upper crosses 135.1 mm × 0.001 right and the left ones 91.6 mm × 0.001 up.
    const [right, low, turn] = [0.4, -0.3, 0.001];
    const edges = {
      leftToTopLeftMm: 13.4 + right + 135.1 * turn,
      leftToBottomLeftMm: 13.4 + right - 135.1 * turn,
      topToTopLeftMm: 13.4 + low - 91.6 * turn,
      topToTopRightMm: 13.4 + low + 91.6 * turn,
    };
    const register = fitRegister(A4, margins, readings({ edges }));
    expect(register.frontMiss!.rightMm).to.be.closeTo(right, 1e-3);
    expect(register.frontMiss!.lowMm).to.be.closeTo(low, 1e-3);
    expect(register.frontTurnDeg).to.be.closeTo((turn * 180) / Math.PI, 1e-4);
    // Where the front’s four crosses were printed, by hand: all four, so that no edge can stand for another.
    const at = (cross: Cross) => apply(register.front, calibrationMarks(A4, margins).crosses[cross]);
    const printed: Readonly<Record<Cross, readonly [number, number]>> = {
      topLeft: [13.4 + right + 0.1351, 13.4 + low - 0.0916],
      topRight: [196.6 + right + 0.1351, 13.4 + low + 0.0916],
      bottomLeft: [13.4 + right - 0.1351, 283.6 + low - 0.0916],
      bottomRight: [196.6 + right - 0.1351, 283.6 + low + 0.0916],
    };
    for (const cross of CROSSES) {
      expect(at(cross).xMm, cross).to.be.closeTo(printed[cross][0], 1e-3);
      expect(at(cross).yMm, cross).to.be.closeTo(printed[cross][1], 1e-3);
    }
    expect(fitRegister(A4, margins, readings({})).frontMiss).to.equal(null);
  });

  it('takes a printed rule for the scale of its own way', () => {
    const register = fitRegister(A4, margins, readings({ ruleAcrossMm: 149.7, ruleDownMm: 200.4 }));
    expect([register.scaleAcross, register.scaleDown]).to.deep.equal([149.7 / 150, 200.4 / 200]);
    const [left, rightEnd] = [40, 170].map((xMm) => apply(register.front, { xMm, yMm: 100 }).xMm);
    expect(rightEnd! - left!).to.be.closeTo((130 * 149.7) / 150, 1e-9);
    const [head, foot] = [40, 240].map((yMm) => apply(register.front, { xMm: 100, yMm }).yMm);
    expect(foot! - head!).to.be.closeTo((200 * 200.4) / 200, 1e-9);
  });

  it('finds a turn from crosses that go round: a thousandth of the way to the middle is a thousandth of a radian', () => {
    // From the middle the crosses lie (210 − 26.8) ÷ 2 = 91.6 mm across and 135.1 mm down; the upper go right.
    const crosses = {
      topLeft: { rightMm: 0.1351, lowMm: -0.0916 },
      topRight: { rightMm: 0.1351, lowMm: 0.0916 },
      bottomLeft: { rightMm: -0.1351, lowMm: -0.0916 },
      bottomRight: { rightMm: -0.1351, lowMm: 0.0916 },
    };
    const register = fitRegister(A4, margins, readings({ crosses }));
    // One thousandth of a radian.
    expect(register.backTurnDeg).to.be.closeTo((0.001 * 180) / Math.PI, 1e-6);
    expect(register.unexplainedMm).to.be.below(1e-3);
  });

  it('splits one wild reading among all: least squares, and says which is doubtful', () => {
    const crosses = { ...every(0, 0), topLeft: { rightMm: 2, lowMm: 0 } };
    const register = fitRegister(A4, margins, readings({ crosses }));
    // The mean of 2, 0, 0, 0.
    expect(register.backMiss.rightMm).to.be.closeTo(0.5, 0.01);
    expect(sayRegister(register, readings({}), 'mm').join(' ')).to.match(/read it again/);
  });

  it('tells a driver that fits the page from paper that swells, and will not correct it', () => {
    const fitted = fitRegister(A4, margins, readings({ ruleAcrossMm: 145.1, ruleDownMm: 193.5 }));
    expect(isUsable(fitted)).to.equal(false);
    expect(sayRegister(fitted, readings({}), 'mm')[0]).to.match(/3\.27 % small.*fits the page/);
    expect(isUsable(fitRegister(A4, margins, readings({ ruleAcrossMm: 149.5 })))).to.equal(true);
    const drawn = readByEye({ ...STAND_IN_PRINTER, fitToPage: true }, A4, margins, 0.1);
    expect(isUsable(fitRegister(A4, margins, drawn))).to.equal(false);
  });

  it('recovers any printer from exact readings, both sides', () => {
    fc.assert(
      fc.property(faults, (truth) => {
        const found = fitRegister(A4, margins, readByEye(truth, A4, margins, 1e-4));
        const real = truthMaps(truth, A4);
        for (const p of Object.values(calibrationMarks(A4, margins).crosses))
          for (const side of ['front', 'back'] as const) {
            const [a, b] = [apply(found[side], p), apply(real[side], p)];
            // A turned rule of two scales reads a little short; that is all that is left.
            expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm), side).to.be.below(0.015);
          }
      }),
      { numRuns: runs(300) },
    );
  });

  it('brings any printer’s sides within a tenth of a millimetre of each other', () => {
    fc.assert(
      fc.property(faults, fc.constantFrom('long', 'short'), (truth, flipEdge) => {
        const measured = { sheet: A4, turn: turnOf(A4, flipEdge) };
        const register = fitRegister(A4, margins, readByEye(truth, A4, margins, 0.05, measured.turn));
        // However it was turned when it was measured, and however the job's sheet is, cut down to half or whole.
        for (const sheet of [A4, { widthMm: 210, heightMm: 148.5 }, { widthMm: 148.5, heightMm: 210 }])
          for (const jobEdge of ['long', 'short'] as const) {
            const corrections = correctionsFor(sheet, measured, register);
            expect(residueMm(truth, sheet, jobEdge, corrections)).to.be.below(0.1);
          }
      }),
      { numRuns: runs(1000) },
    );
    // The stand-in, read no finer than a tenth.
    const register = fitRegister(A4, margins, readByEye(STAND_IN_PRINTER, A4, margins, 0.1));
    expect(residueMm(STAND_IN_PRINTER, A4, 'long', null)).to.be.above(1);
    expect(
      residueMm(STAND_IN_PRINTER, A4, 'long', correctionsFor(A4, { sheet: A4, turn: 'leftRight' }, register)),
    ).to.be.below(0.1);
  });

  it('corrects sheets of another size by the same turn, scale and shift about their middle', () => {
    const letter = { widthMm: 215.9, heightMm: 279.4 };
    const register = fitRegister(A4, margins, readByEye(STAND_IN_PRINTER, A4, margins, 0.05));
    const at = (sheet: typeof A4) => fitRegister(sheet, margins, readByEye(STAND_IN_PRINTER, sheet, margins, 0.05));
    expect(register.backMiss.rightMm).to.be.closeTo(at(letter).backMiss.rightMm, 0.03);
  });
});

describe('calibrationFor', () => {
  const one = (id: string, gsm: number, day: string, setAside = false): Calibration => ({
    id,
    day,
    gsm,
    sheetWidthMm: 210,
    sheetHeightMm: 297,
    marginsMm: margins,
    flipEdge: 'long',
    laidBack: '',
    readings: readings({}),
    setAside,
  });
  const path = (...calibrations: Calibration[]): FeedPath => ({ ...workshop.printers[0]!.paths[0]!, calibrations });

  it('takes the nearest weight, then the newest, and nothing that was set aside or is far off', () => {
    const shelf = path(one('old', 300, '2026-10-01'), one('new', 300, '2026-11-02'), one('light', 290, '2026-11-20'));
    expect(calibrationFor(shelf, 300)?.id).to.equal('new');
    expect(calibrationFor(shelf, 285)?.id).to.equal('light');
    expect(calibrationFor(shelf, 160)).to.equal(null);
    expect(calibrationFor(path(one('old', 300, '2026-10-01'), one('new', 300, '2026-11-02', true)), 300)?.id).to.equal(
      'old',
    );
    expect(calibrationFor(workshop.printers[1]!.paths[0]!, 200)).to.equal(null);
  });
});
