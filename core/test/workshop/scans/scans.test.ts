import { expect } from 'chai';
import { printSide, readByEye, STAND_IN_PRINTER } from '../../../src/files/standins/printer.ts';
import { turnOf } from '../../../src/ground/geometry/affine.ts';
import { drawCalibration } from '../../../src/workshop/calibration/drawCalibration.ts';
import { CROSSES } from '../../../src/workshop/calibration/types.ts';
import { measureCards } from '../../../src/workshop/scans/measureCards.ts';
import { readCalibration } from '../../../src/workshop/scans/readCalibration.ts';
import { frameOfDpi, scannerFrame } from '../../../src/workshop/scans/scannerFrame.ts';
import { laidCard, laidScene, scanOf, type ScanFaults } from './support.ts';

const WITHIN_MM = 0.05;
const BED: Pick<ScanFaults, 'wideMm' | 'highMm'> = { wideMm: 226, highMm: 312 };

describe('a scan of trimmed cards', () => {
  it('gives their sizes and squareness to a twentieth of a millimetre, turned, soft, noisy and dusty', () => {
    for (const [i, dpi] of [200, 300].entries()) {
      const image = scanOf([laidCard(96, 136, 1.7, 14, 12), laidCard(95.6, 136.3, -2.4, 116, 18)], {
        ...{ dpi, wideMm: 226, highMm: 170, dust: 60, blurPx: 0.8, noise: 5, seed: i + 3 },
      });
      const read = measureCards(image, frameOfDpi(dpi));
      if (!read.ok) throw new Error(read.why);
      const [one, two] = read.value;
      expect(read.value).to.have.length(2);
      for (const [found, meant] of [
        [one!.widthMm, 96],
        [one!.heightMm, 136],
        [two!.widthMm, 95.6],
        [two!.heightMm, 136.3],
      ] as const)
        expect(found).to.be.closeTo(meant, WITHIN_MM);
      expect(one!.offSquareDeg).to.be.below(0.03);
    }
  });

  it('finds one that is cut on a slant', () => {
    const slanted = { svg: '<path d="M0 0H100L99 140H0Z" fill="#efece2"/>', turnDeg: 0.5, atXMm: 15, atYMm: 12 };
    const read = measureCards(scanOf([slanted], { dpi: 300, wideMm: 140, highMm: 170 }), frameOfDpi(300));
    if (!read.ok) throw new Error(read.why);
    const [card] = read.value;
    expect(card!.taperWideMm).to.be.closeTo(1, WITHIN_MM);
    expect(card!.offSquareDeg).to.be.closeTo((Math.atan(1 / 140) * 180) / Math.PI, 0.03);
  });

  it('takes the scanner’s own scale and skew out by a card of known size', () => {
    const scanner = { dpi: 300, across: 1.006, down: 0.995, shear: 0.004 };
    const known = scanOf([laidCard(85.6, 53.98, 1.1, 40, 30, 3)], { ...scanner, wideMm: 170, highMm: 110 });
    const frame = scannerFrame(known, 300);
    if (!frame.ok) throw new Error(frame.why);
    const image = scanOf([laidCard(96, 136, -1.3, 14, 12)], { ...scanner, wideMm: 130, highMm: 165, seed: 9 });
    const plain = measureCards(image, frameOfDpi(300));
    const read = measureCards(image, frame.value);
    if (!read.ok || !plain.ok) throw new Error('not read');
    expect(Math.abs(plain.value[0]!.widthMm - 96)).to.be.above(0.4);
    expect(read.value[0]!.widthMm).to.be.closeTo(96, 0.08);
    expect(read.value[0]!.heightMm).to.be.closeTo(136, 0.1);
    expect(read.value[0]!.offSquareDeg).to.be.below(0.06);
  });

  it('says in a sentence what it cannot read', () => {
    const frame = frameOfDpi(200);
    const why = (image: ReturnType<typeof scanOf>): string => {
      const read = measureCards(image, frame);
      return read.ok ? 'read' : read.why;
    };
    expect(why(scanOf([], { dpi: 200, wideMm: 120, highMm: 120, dust: 20 }))).to.match(/No card was found/);
    expect(why(scanOf([laidCard(96, 136, 0, 60, 10)], { dpi: 200, wideMm: 120, highMm: 160 }))).to.match(
      /runs off the scan/,
    );
    const wave = {
      svg: '<path d="M0 0H90V130C70 120 40 140 0 130Z" fill="#efece2"/>',
      turnDeg: 0,
      atXMm: 15,
      atYMm: 15,
    };
    expect(why(scanOf([wave], { dpi: 200, wideMm: 120, highMm: 165 }))).to.match(/not straight/);
    const two = scannerFrame(scanOf([laidCard(60, 90, 0, 10, 10)], { dpi: 200, wideMm: 90, highMm: 120 }), 200);
    expect(two.ok ? '' : two.why).to.match(/60\.0 × 90\.0 mm by the scanner/);
  });
});

describe('a scan of the calibration sheet', () => {
  const sheet = { widthMm: 210, heightMm: 297 };
  const marginsMm = { top: 3.4, right: 3.4, bottom: 3.4, left: 3.4 };
  const printed = (side: 'front' | 'back', flipEdge: 'long' | 'short') =>
    printSide(
      drawCalibration({ sheet, marginsMm, flipEdge, about: 'a printer, 300 gsm', date: null, unit: 'mm' }, side),
      ...([side, sheet, flipEdge, STAND_IN_PRINTER] as const),
    );
  const truth = (flipEdge: 'long' | 'short') =>
    readByEye(STAND_IN_PRINTER, sheet, marginsMm, 1e-4, turnOf(sheet, flipEdge));
  const errors = (read: ReturnType<typeof readCalibration>, flipEdge: 'long' | 'short') => {
    if (!read.ok) throw new Error(read.why);
    const meant = truth(flipEdge);
    const { readings } = read.value;
    const off = [readings.ruleAcrossMm - meant.ruleAcrossMm, readings.ruleDownMm - meant.ruleDownMm];
    for (const cross of CROSSES)
      for (const way of ['rightMm', 'lowMm'] as const)
        off.push(readings.crosses[cross][way] - meant.crosses[cross][way]);
    for (const key of Object.keys(meant.edges!) as (keyof NonNullable<typeof meant.edges>)[])
      off.push(readings.edges![key] - meant.edges![key]);
    return off.map(Math.abs);
  };

  for (const [dpi, flipEdge] of [
    [200, 'long'],
    [240, 'short'],
  ] as const)
    it(`gives scale, shift and turn without a ruler, at ${dpi} dpi, turned on the ${flipEdge} edge, either way up`, () => {
      const faults = { dpi, ...BED, blurPx: 0.7, noise: 4, dust: 80 };
      const front = scanOf([laidScene(printed('front', flipEdge), 0.9, 9, 6)], faults);
      // The back lies head to foot on the glass.
      const back = scanOf([laidScene(printed('back', flipEdge), 180 - 0.7, 218, 303)], { ...faults, seed: 5 });
      const read = readCalibration({ front, back }, frameOfDpi(dpi), { sheet, marginsMm, flipEdge });
      expect(Math.max(...errors(read, flipEdge))).to.be.below(WITHIN_MM);
      expect(read.ok && read.value.taken).to.deep.equal([]);
      // Handed over the wrong way about, they are told apart by the back’s ticks.
      const swapped = readCalibration({ front: back, back: front }, frameOfDpi(dpi), { sheet, marginsMm, flipEdge });
      expect(Math.max(...errors(swapped, flipEdge))).to.be.below(WITHIN_MM);
    });

  it('reads a sheet as long as the glass, which hangs over its foot, and says what it took on trust', () => {
    const faults = { dpi: 200, wideMm: 216, highMm: 297 };
    const front = scanOf([laidScene(printed('front', 'long'), 0.3, 3.5, 5)], faults);
    const back = scanOf([laidScene(printed('back', 'long'), -0.3, 2, 6)], { ...faults, seed: 4 });
    const read = readCalibration({ front, back }, frameOfDpi(200), { sheet, marginsMm, flipEdge: 'long' });
    expect(Math.max(...errors(read, 'long'))).to.be.below(WITHIN_MM);
    expect(read.ok && read.value.taken).to.deep.equal([]);
    expect(read.ok && read.value.front.sees.bottom).to.equal(false);
  });

  it('refuses a page that is not the sheet, one of another size, and one side twice', () => {
    const faults = { dpi: 200, ...BED };
    const asked = { sheet, marginsMm, flipEdge: 'long' as const };
    const front = scanOf([laidScene(printed('front', 'long'), 0.4, 8, 6)], faults);
    const blank = scanOf([laidCard(210, 297, 0.4, 8, 6)], faults);
    const why = (pair: Parameters<typeof readCalibration>[0]): string => {
      const read = readCalibration(pair, frameOfDpi(200), asked);
      return read.ok ? 'read' : read.why;
    };
    expect(why({ front, back: blank })).to.match(/scan of the back shows no cross where [A-D] should be/);
    expect(why({ front, back: front })).to.match(/same side/);
    expect(why({ front: scanOf([], { dpi: 200, wideMm: 100, highMm: 100 }), back: front })).to.match(
      /no sheet on a dark ground/,
    );
    const other = { widthMm: 148, heightMm: 210 };
    const small = printSide(
      drawCalibration({ sheet: other, marginsMm, flipEdge: 'long', about: '', date: null, unit: 'mm' }, 'front'),
      ...(['front', other, 'long', STAND_IN_PRINTER] as const),
    );
    expect(why({ front: scanOf([laidScene(small, 0, 8, 6)], faults), back: front })).to.match(/no cross where/);
  });
});
