import { expect } from 'chai';
import fc from 'fast-check';
import { parseLength } from '../../../src/ground/length/parseLength.ts';
import { fixed } from '../../../src/ground/length/rounding.ts';
import { formatLength, formatSize } from '../../../src/ground/length/formatLength.ts';
import type { LengthUnit } from '../../../src/ground/length/types.ts';

const mm = (text: string, unit: LengthUnit = 'mm'): number => {
  const parsed = parseLength(text, unit);
  if (!parsed.ok) throw new Error(`${text}: ${parsed.why}`);
  return parsed.mm;
};

describe('parseLength', () => {
  const written: readonly (readonly [string, LengthUnit, number])[] = [
    ['5 1/2', 'in', 139.7],
    ['5½', 'in', 139.7],
    ['5-1/2 in', 'mm', 139.7],
    ['139.7mm', 'in', 139.7],
    ['139,7 mm', 'in', 139.7],
    ['14 cm', 'in', 140],
    // 8.5 in is 215.9 mm; half of it 107.95; less 3 is 104.95.
    ['8.5in/2 - 3mm', 'mm', 104.95],
    ['8.5in / 2 − 3', 'mm', 104.95],
    ['½"', 'mm', 12.7],
    ['3/8', 'in', 9.525],
    ['2 * (10mm + 1/4in)', 'mm', 32.7],
    ['1 ft', 'mm', 304.8],
    ['72pt', 'mm', 25.4],
    ['-3', 'mm', -3],
    ['4 1/4 in x 2', 'mm', 215.9],
    ['1 ft 3 in', 'mm', 381],
    ['1\' 3"', 'mm', 381],
    // The half takes the unit written before it.
    ['5 in 1/2', 'mm', 139.7],
    ["5''", 'mm', 127],
    ['148 millimetres', 'in', 148],
    ['14 thou', 'mm', 0.3556],
    ['1 in 3 mm', 'mm', 28.4],
  ];
  for (const [text, unit, wanted] of written)
    it(`reads “${text}” with ${unit} as ${wanted} mm`, () => expect(mm(text, unit)).to.be.closeTo(wanted, 1e-9));

  const refused: readonly (readonly [string, RegExp])[] = [
    ['', /nothing is typed/],
    ['five', /“five” is not a number/],
    ['3in * 2in', /length by a length/],
    ['3 / 2mm', /divides by a length/],
    ['3 +', /number is missing/],
    ['(3', /bracket is not closed/],
    ['1/0', /divides by zero/],
    ['3 4', /left over/],
  ];
  for (const [text, why] of refused)
    it(`says what is wrong with “${text}”`, () => {
      const parsed = parseLength(text, 'mm');
      expect(parsed.ok).to.be.false;
      if (!parsed.ok) expect(parsed.why).to.match(why);
    });

  it('reads back every sixteenth of an inch that it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 16 * 40 }), (sixteenths) => {
        const length = (sixteenths * 25.4) / 16;
        expect(mm(formatLength(length, 'in'))).to.be.closeTo(length, 1e-9);
      }),
    );
  });

  it('never throws, whatever is typed', () => {
    fc.assert(fc.property(fc.string(), (text) => void parseLength(text, 'in')));
  });
});

describe('fixed', () => {
  it('rounds halves away from nought, however binary fractions came to them', () => {
    // 7 1/4 in is 184.15 mm, which is a hair less as a binary fraction; 166.35 comes out a hair more or less by its sum.
    expect(fixed(7.25 * 25.4, 1)).to.equal('184.2');
    expect(fixed(184.15, 1)).to.equal('184.2');
    for (const sum of [166.35, 133.1 + 33.25, 200 - 33.65, 3 * 55.45]) expect(fixed(sum, 1)).to.equal('166.4');
    expect(fixed(-0.25, 1)).to.equal('-0.3');
    expect(fixed(-0.04, 1)).to.equal('0.0');
    expect(fixed(1.005, 2)).to.equal('1.01');
    expect(fixed(0.9999, 2)).to.equal('1.00');
  });

  it('is the nearest decimal to any number of whole nanometres, the larger of two as near', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2_000_000_000 }), fc.integer({ min: 0, max: 4 }), (nm, places) => {
        const text = fixed(nm / 1e6, places);
        // In whole steps of the last place, by long division.
        const step = 10n ** BigInt(6 - places);
        const [whole, rest] = [BigInt(nm) / step, BigInt(nm) % step];
        const wanted = rest * 2n >= step ? whole + 1n : whole;
        expect(BigInt(text.replace('.', ''))).to.equal(wanted);
      }),
    );
  });
});

describe('formatLength', () => {
  it('is one text for one length', () => {
    expect(formatLength(7.25 * 25.4, 'mm')).to.equal('184.2 mm');
    expect(formatLength(200 - 33.65, 'mm')).to.equal(formatLength(133.1 + 33.25, 'mm'));
    // A sixty-fourth over is half way between two marks: the upper one, whatever the sum.
    expect(formatLength(25.4 + 25.4 / 64, 'in')).to.equal('1 1/32 in − 0.4 mm');
  });

  it('shows what is left over when no thirty-second is near', () => {
    // 100 mm = 3.937 in; the nearest 1/32 is 3 15/16 = 100.0125 mm, which is within 0.1 mm.
    expect(formatLength(100, 'in')).to.equal('3 15/16 in');
    // 101.2 mm is 3.98425 in; 3 31/32 in = 100.806 mm leaves +0.4 mm, and 4 in = 101.6 leaves −0.4.
    expect(formatLength(101.2, 'in')).to.match(/^(3 31\/32 in \+ 0\.4 mm|4 in − 0\.4 mm)$/);
  });
  it('keeps one decimal of a millimetre and no idle nought', () => {
    expect(formatLength(105, 'mm')).to.equal('105 mm');
    expect(formatLength(139.7, 'mm')).to.equal('139.7 mm');
  });
  it('says a size with one unit', () => expect(formatSize(107.95, 139.7, 'in')).to.equal('4 1/4 × 5 1/2 in'));
});
