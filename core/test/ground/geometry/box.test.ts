import { expect } from 'chai';
import { boxAround, corners, evenSides, grow, isInside, mapBox, shrink } from '../../../src/ground/geometry/box.ts';

describe('boxes', () => {
  const box = { xMm: 10, yMm: 20, widthMm: 30, heightMm: 40 };
  const sides = { top: 1, right: 2, bottom: 4, left: 8 };

  it('grow at every side by its own measure, the foot too', () => {
    // Left edge 10 − 8, head 20 − 1; width 30 + 8 + 2, height 40 + 1 + 4.
    expect(grow(box, sides)).to.deep.equal({ xMm: 2, yMm: 19, widthMm: 40, heightMm: 45 });
    expect(shrink(box, sides)).to.deep.equal({ xMm: 18, yMm: 21, widthMm: 20, heightMm: 35 });
    expect(shrink(grow(box, sides), sides)).to.deep.equal(box);
  });

  it('have their corners clockwise from the upper left, and lie round them', () => {
    expect(corners(box).map(({ xMm, yMm }) => [xMm, yMm])).to.deep.equal([
      [10, 20],
      [40, 20],
      [40, 60],
      [10, 60],
    ]);
    expect(boxAround(corners(box).toReversed())).to.deep.equal(box);
    expect(() => boxAround([])).to.throw(RangeError, 'must not be empty');
    // A quarter turn clockwise about the origin takes (x, y) to (−y, x).
    expect(mapBox([0, 1, -1, 0, 0, 0], box)).to.deep.equal({ xMm: -60, yMm: 10, widthMm: 40, heightMm: 30 });
  });

  it('are inside another unless an edge passes it', () => {
    expect(isInside(box, box)).to.equal(true);
    for (const edge of ['top', 'right', 'bottom', 'left'] as const) {
      const more = { ...evenSides(0), [edge]: 0.1 };
      expect(isInside(grow(box, more), box), edge).to.equal(false);
      expect(isInside(box, grow(box, more)), edge).to.equal(true);
    }
  });
});
