import { expect } from 'chai';
import fc from 'fast-check';
import { inkMl, inkUse } from '../../../../src/stations/art/ink/ink.ts';
import { inkTotal, latticeValue, type InkLattice } from '../../../../src/stations/art/ink/inkTotal.ts';

const pixels = (...colours: readonly (readonly [number, number, number])[]): Uint8ClampedArray =>
  Uint8ClampedArray.from(colours.flatMap(([r, g, b]) => [r, g, b, 255]));

/** A made-up press: as much of each ink as light is missing, so that black is three inks laid solid. */
const STEPS = 6;
const values = Array.from({ length: STEPS }, (_, i) => latticeValue(i, STEPS));
const press: InkLattice = {
  steps: STEPS,
  totals: values.flatMap((r) => values.flatMap((g) => values.map((b) => (3 * 255 - r - g - b) / 255))),
};

describe('ink', () => {
  it('is what the press lattice says of each pixel: none for white, three for black, two for red here', () => {
    expect(inkUse(pixels([255, 255, 255]), press)).to.deep.equal({ coverage: 0, inked: 0 });
    expect(inkUse(pixels([0, 0, 0]), press)).to.deep.equal({ coverage: 3, inked: 1 });
    expect(inkUse(pixels([255, 0, 0]), press).coverage).to.be.closeTo(2, 1e-6);
    expect(inkUse(pixels([0, 0, 0], [255, 255, 255]), press)).to.deep.equal({ coverage: 1.5, inked: 0.5 });
    // 127 of 255 is missing of each, and a channel is told to five bits: within a thirty-second.
    expect(inkUse(pixels([128, 128, 128]), press).coverage).to.be.closeTo((3 * 127) / 255, 3 / 32);
  });
  it('is the total of the same colour in the checks of ink, for any picture', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 4, maxLength: 4 }), (bytes) => {
        const hex = `#${[...bytes.subarray(0, 3)].map((n) => n.toString(16).padStart(2, '0')).join('')}`;
        expect(inkUse(bytes, press).coverage).to.be.closeTo(inkTotal(hex, press), 3 / 32 + 0.03);
      }),
    );
    expect(() => inkUse(new Uint8Array(3), press)).to.throw(RangeError);
  });
  it('of an A6 face flooded in black is 0.155 ml at ten to the square metre', () => {
    expect(inkMl({ coverage: 1, inked: 1 }, 105 * 148)).to.be.closeTo(0.1554, 1e-9);
  });
});
