import { expect } from 'chai';
import fc from 'fast-check';
import { inkMl, inkUse } from '../../src/art/ink.ts';

const pixels = (...colours: readonly (readonly [number, number, number])[]): Uint8ClampedArray =>
  Uint8ClampedArray.from(colours.flatMap(([r, g, b]) => [r, g, b, 255]));

describe('ink', () => {
  it('is none for white, one for black, two for red, and half of one for half the pixels black', () => {
    expect(inkUse(pixels([255, 255, 255]))).to.deep.equal({ coverage: 0, inked: 0 });
    expect(inkUse(pixels([0, 0, 0]))).to.deep.equal({ coverage: 1, inked: 1 });
    // Red is magenta and yellow, both solid.
    expect(inkUse(pixels([255, 0, 0])).coverage).to.equal(2);
    expect(inkUse(pixels([0, 0, 0], [255, 255, 255]))).to.deep.equal({ coverage: 0.5, inked: 0.5 });
    expect(inkUse(pixels([128, 128, 128])).coverage).to.be.closeTo(127 / 255, 1e-9);
  });
  it('is never less than nought nor more than two, for any picture', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 4, maxLength: 400 }), (bytes) => {
        const { coverage } = inkUse(bytes.subarray(0, bytes.length - (bytes.length % 4)));
        expect(coverage).to.be.within(0, 2);
      }),
    );
    expect(() => inkUse(new Uint8Array(3))).to.throw(RangeError);
  });
  it('of an A6 face flooded in black is 0.155 ml at ten to the square metre', () => {
    expect(inkMl({ coverage: 1, inked: 1 }, 105 * 148)).to.be.closeTo(0.1554, 1e-9);
  });
});
