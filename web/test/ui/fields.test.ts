import { expect } from 'chai';
import fc from 'fast-check';
import { formatLength } from '@zippy/core';
import {
  readLength,
  readMaybeLength,
  readMoney,
  readNumber,
  showMoney,
  showNumber,
  type LengthAsked,
  type Read,
} from '../../src/ui/fields/read.ts';

const valueOf = <T>(read: Read<T>): T | string => (read.ok ? read.value : read.why);
const asked = (part: Partial<LengthAsked> = {}): LengthAsked => ({
  ...{ label: 'Wide', unit: 'mm', mm: null, least: 30, most: 900 },
  ...part,
});

describe('a field for a length', () => {
  it('takes what makers write, in either unit, arithmetic too', () => {
    expect(valueOf(readLength('5 1/2', asked({ unit: 'in' })))).to.be.closeTo(139.7, 1e-9);
    expect(valueOf(readLength('14 cm', asked()))).to.equal(140);
    expect(valueOf(readLength('8.5in/2 - 3mm', asked()))).to.be.closeTo(104.95, 1e-9);
  });

  it('left as it is shown keeps what the job says to the last micron', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 900, noNaN: true }),
        fc.constantFrom('mm' as const, 'in' as const),
        (mm, unit) => {
          const shown = formatLength(mm, unit);
          for (const read of [readLength, readMaybeLength])
            expect(valueOf(read(shown, asked({ mm, unit })))).to.equal(mm);
        },
      ),
      { numRuns: 200 },
    );
    // Shown to a tenth; somebody who types that tenth into another field means it.
    expect(valueOf(readLength('33.3 mm', asked({ mm: 33.333 })))).to.equal(33.333);
    expect(valueOf(readLength('33.3 mm', asked({ mm: 50 })))).to.equal(33.3);
  });

  it('says in a sentence what it wants, in the maker’s unit, at both ends', () => {
    expect(valueOf(readLength('30', asked()))).to.equal(30);
    expect(valueOf(readLength('29.9', asked()))).to.equal('Wide wants 30 mm to 900 mm.');
    expect(valueOf(readLength('900', asked()))).to.equal(900);
    expect(valueOf(readLength('900.1', asked()))).to.equal('Wide wants 30 mm to 900 mm.');
    expect(valueOf(readLength('40', asked({ unit: 'in', least: 25.4, most: 254 })))).to.equal(
      'Wide wants 1 in to 10 in.',
    );
    expect(valueOf(readLength('some', asked()))).to.match(/^Wide: .*\.$/);
  });

  it('may be left empty only where that is a choice', () => {
    for (const empty of ['', '  ']) {
      expect(readMaybeLength(empty, asked({ mm: 40 }))).to.deep.equal({ ok: true, value: null });
      expect(readLength(empty, asked({ mm: 40 })).ok).to.equal(false);
    }
    expect(valueOf(readMaybeLength('some', asked()))).to.match(/or leave it empty\.$/);
  });
});

describe('a field for a number', () => {
  const count = { label: 'Panels', least: 3, most: 8, whole: true };
  it('takes whole ones only where it counts, and either decimal mark elsewhere', () => {
    expect(valueOf(readNumber(' 4 ', count))).to.equal(4);
    expect(valueOf(readNumber('4.5', count))).to.equal('Panels wants a whole number from 3 to 8.');
    for (const text of ['4.5', '4,5']) expect(valueOf(readNumber(text, { ...count, whole: false }))).to.equal(4.5);
  });
  it('refuses what is outside, empty or no number', () => {
    expect([readNumber('3', count).ok, readNumber('8', count).ok]).to.deep.equal([true, true]);
    for (const text of ['2', '9', '', ' ', 'four', 'Infinity', 'NaN'])
      expect(valueOf(readNumber(text, count)), text).to.equal('Panels wants a whole number from 3 to 8.');
    expect(valueOf(readNumber('x', { ...count, whole: false }))).to.equal('Panels wants a number from 3 to 8.');
  });
  it('shows thousandths and no noise of binary fractions', () => {
    expect([0.1 + 0.2, 2, 1 / 3].map(showNumber)).to.deep.equal(['0.3', '2', '0.333']);
  });
});

describe('a field for money', () => {
  it('takes a price as it stands on a tag', () => {
    for (const text of ['3.50', '3,50', '£3.50', '€ 3,5', ' $3.5 ', 'CA$3.50', '3,50 €', 'CHF 3.50', '3.50 GBP'])
      expect(valueOf(readMoney(text, 'A single', 'GBP')), text).to.equal(350);
    expect(readMoney(' ', 'A single', 'GBP')).to.deep.equal({ ok: true, value: null });
  });
  it('counts as many decimals as the currency has', () => {
    expect(valueOf(readMoney('¥350', 'A single', 'JPY'))).to.equal(350);
    expect(valueOf(readMoney('1.25', 'A single', 'KWD'))).to.equal(1250);
    expect([showMoney(350, 'JPY'), showMoney(350, 'GBP'), showMoney(350, 'KWD')]).to.deep.equal([
      '350',
      '3.50',
      '0.350',
    ]);
  });
  it('refuses what nobody can pay, in one sentence', () => {
    for (const text of ['-1', 'much', '1000000', '3.50 or so', '1e3', '0x10', '.', '1.2.3'])
      expect(valueOf(readMoney(text, 'A single', 'GBP')), text).to.equal(
        'A single wants an amount such as 3.50, or nothing.',
      );
    expect(valueOf(readMoney('much', 'A single', 'JPY'))).to.equal('A single wants an amount such as 4, or nothing.');
  });
  it('reads what it shows', () => {
    fc.assert(
      fc.property(fc.nat(999_999), fc.constantFrom('GBP', 'JPY', 'KWD'), (minor, currency) => {
        expect(valueOf(readMoney(showMoney(minor, currency), 'x', currency))).to.equal(minor);
      }),
    );
    expect([null, 5, 1234].map((minor) => showMoney(minor, 'GBP'))).to.deep.equal(['', '0.05', '12.34']);
  });
});
