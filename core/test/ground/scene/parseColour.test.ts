import { expect } from 'chai';
import fc from 'fast-check';
import { parseColour } from '../../../src/ground/scene/parseColour.ts';

const read = (text: string): string => {
  const parsed = parseColour(text);
  return parsed.ok ? parsed.colour : 'refused';
};

describe('a colour that is typed', () => {
  it('is taken as web pages have it', () => {
    expect(['#1d5a68', '1D5A68', '#fff', 'abc', ' #1d5a68 '].map(read)).to.deep.equal([
      '#1d5a68',
      '#1d5a68',
      '#ffffff',
      '#aabbcc',
      '#1d5a68',
    ]);
  });

  it('is taken in red, green and blue', () => {
    // 29 = 1d, 90 = 5a, 104 = 68.
    for (const text of ['29 90 104', '29, 90, 104', 'rgb(29, 90, 104)', 'RGB 29/90/104', 'R29 G90 B104'])
      expect(read(text), text).to.equal('#1d5a68');
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 }))), ([r, g, b]) => {
        const back = /^#(..)(..)(..)$/.exec(read(`rgb(${r} ${g} ${b})`))!.slice(1);
        expect(back.map((two) => parseInt(two, 16))).to.deep.equal([r, g, b]);
      }),
    );
  });

  it('is taken in hundredths of ink', () => {
    expect(['0 0 0 0', 'C0 M0 Y0 K100', 'cmyk(100, 0, 0, 0)', 'cmyk(0%, 100%, 100%, 0%)'].map(read)).to.deep.equal([
      '#ffffff',
      '#000000',
      '#00ffff',
      '#ff0000',
    ]);
    // Red is 255 · (1 − 0.8) · (1 − 0.2) = 40.8, green 255 · 0.7 · 0.8 = 142.8, blue 255 · 0.6 · 0.8 = 122.4.
    for (const text of ['C80 M30 Y40 K20', '80 30 40 20', 'c 80%, m 30%, y 40%, k 20%'])
      expect(read(text), text).to.equal('#298f7a');
  });

  it('is refused with what it wants where it is none', () => {
    for (const text of [
      '',
      'teal-ish',
      '#12',
      '#12345',
      '300 0 0',
      '0 0 0 101',
      'cmyk(1, 2, 3)',
      'rgb(1,2,3,4)',
      '1 2',
      '-1 0 0',
      '1 2 3 4 5',
    ])
      expect(read(text), text).to.equal('refused');
  });
});
