import { expect } from 'chai';
import fc from 'fast-check';
import {
  apply,
  compose,
  determinant,
  invert,
  turnedLeftRight,
  turnedTopBottom,
  type Affine,
} from '../../../src/ground/geometry/affine.ts';
import { chain, move, turnAbout, undo, type Vec3 } from '../../../src/ground/fold/space.ts';

const number = fc.double({ min: -50, max: 50, noNaN: true });
const affine = fc
  .tuple(number, number, number, number, number, number)
  .filter((m) => Math.abs(determinant(m as Affine)) > 1);
const point = fc.record({ xMm: number, yMm: number });

describe('affine', () => {
  it('composes in the order it says', () => {
    fc.assert(
      fc.property(affine, affine, point, (then, first, p) => {
        const [once, twice] = [apply(compose(then, first), p), apply(then, apply(first, p))];
        expect(once.xMm).to.be.closeTo(twice.xMm, 1e-6);
        expect(once.yMm).to.be.closeTo(twice.yMm, 1e-6);
      }),
    );
  });
  it('is undone by its inverse', () => {
    fc.assert(
      fc.property(affine, point, (map, p) => {
        const back = apply(invert(map), apply(map, p));
        expect(back.xMm).to.be.closeTo(p.xMm, 1e-6);
        expect(back.yMm).to.be.closeTo(p.yMm, 1e-6);
      }),
    );
    expect(() => invert([1, 2, 2, 4, 0, 0])).to.throw(RangeError);
  });
  it('mirrors when a sheet is turned over, and twice is never', () => {
    for (const map of [turnedLeftRight(210), turnedTopBottom(297)]) {
      expect(determinant(map)).to.equal(-1);
      expect(apply(compose(map, map), { xMm: 12, yMm: 34 })).to.deep.equal({ xMm: 12, yMm: 34 });
    }
    expect(apply(turnedLeftRight(210), { xMm: 10, yMm: 20 })).to.deep.equal({ xMm: 200, yMm: 20 });
  });
});

describe('space', () => {
  const vec = fc.tuple(number, number, number);
  const unit = vec
    .filter((v) => Math.hypot(...v) > 1)
    .map((v): Vec3 => v.map((c) => c / Math.hypot(...v)) as unknown as Vec3);
  const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });

  it('turns about a line that stays where it is, keeps distances, and can be undone', () => {
    fc.assert(
      fc.property(vec, unit, angle, vec, vec, (through, axis, radians, p, q) => {
        const pose = turnAbout(through, axis, radians);
        const fixed = move(pose, through);
        fixed.forEach((c, i) => expect(c).to.be.closeTo(through[i]!, 1e-6));
        const [a, b] = [move(pose, p), move(pose, q)];
        expect(Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])).to.be.closeTo(
          Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]),
          1e-6,
        );
        move(chain(undo(pose), pose), p).forEach((c, i) => expect(c).to.be.closeTo(p[i]!, 1e-6));
      }),
    );
  });
  it('goes the right-hand way: a quarter turn about z takes x to y', () => {
    const [x, y, z] = move(turnAbout([0, 0, 0], [0, 0, 1], Math.PI / 2), [1, 0, 0]);
    expect([x, y, z].map((c) => Math.round(c * 1e9) / 1e9)).to.deep.equal([0, 1, 0]);
  });
});
