import { expect } from 'chai';
import { strokeDigits } from '../../../src/ground/scene/strokeDigits.ts';

const MIDDLE = { xMm: 0, yMm: 0 };
/** The strokes as they look, whichever end each begins at. */
const looks = (number: number, upsideDown: boolean): string =>
  strokeDigits(number, MIDDLE, 2)
    .map((ends) =>
      ends
        .map(({ xMm, yMm }) =>
          (upsideDown ? [-xMm, -yMm] : [xMm, yMm]).map((mm) => (mm + 0).toFixed(3).replace('-0.000', '0.000')).join(),
        )
        .sort()
        .join(' '),
    )
    .sort()
    .join('; ');

describe('numbers in strokes', () => {
  it('are told from each other whichever way up they are looked at', () => {
    const seen = new Map<string, number>();
    for (let number = 0; number < 100; number += 1)
      for (const upsideDown of [false, true]) {
        const look = looks(number, upsideDown);
        expect(seen.get(look) ?? number, `${number}`).to.equal(number);
        seen.set(look, number);
      }
  });

  it('are as high as asked, round their middle', () => {
    const ys = strokeDigits(42, MIDDLE, 3).flatMap((ends) => ends.map(({ yMm }) => yMm));
    expect([Math.min(...ys), Math.max(...ys)]).to.deep.equal([-1.5, 1.5]);
    const xs = strokeDigits(88, MIDDLE, 3).flatMap((ends) => ends.map(({ xMm }) => xMm));
    expect(Math.min(...xs) + Math.max(...xs)).to.be.closeTo(0, 1e-9);
  });
});
