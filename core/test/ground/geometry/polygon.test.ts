import { expect } from 'chai';
import fc from 'fast-check';
import { offset, united, without } from '../../../src/ground/geometry/offset.ts';
import {
  areaOf,
  between,
  chordsAt,
  clipTo,
  contains,
  distanceToEdge,
  edgesOf,
  FLATNESS_MM,
  flatten,
  isUprightBox,
  type Polygon,
} from '../../../src/ground/geometry/polygon.ts';
import type { Path } from '../../../src/ground/geometry/path.ts';

const p = (xMm: number, yMm: number) => ({ xMm, yMm });
const square = (at: number, side: number): Polygon => [
  p(at, at),
  p(at + side, at),
  p(at + side, at + side),
  p(at, at + side),
];

describe('polygons', () => {
  it('cut at a line keep what is on its side: both parts add up', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 99, noNaN: true }), (x) => {
        const l: Polygon = [p(0, 0), p(100, 0), p(100, 40), p(30, 40), p(30, 100), p(0, 100)];
        const [left, right] = [between(l, 0, x), between(l, x, 100)];
        expect(areaOf(left) + areaOf(right)).to.be.closeTo(areaOf(l), 1e-6);
      }),
    );
  });

  it('keep no spike along the line they were cut at', () => {
    // A tongue on a broad base, cut where it joins: the base’s shoulders must not stay as edges out and back.
    const tongue: Polygon = [p(40, 0), p(60, 0), p(60, 50), p(100, 50), p(100, 80), p(0, 80), p(0, 50), p(40, 50)];
    const upper = clipTo(tongue, ({ yMm }) => 50 - yMm);
    expect(upper).to.have.length(4);
    expect(areaOf(upper)).to.be.closeTo(1000, 1e-9);
  });

  it('know their chords, their insides and how far an edge is', () => {
    const ring: Polygon = [p(0, 0), p(10, 0), p(10, 30), p(6, 30), p(6, 10), p(4, 10), p(4, 30), p(0, 30)];
    expect(chordsAt(ring, 5)).to.deep.equal([[0, 10]]);
    expect(chordsAt(ring, 2)).to.deep.equal([[0, 30]]);
    expect(contains(ring, p(5, 20))).to.equal(false);
    expect(contains(ring, p(5, 5))).to.equal(true);
    expect(distanceToEdge(p(3, 4), [p(0, 0), p(10, 0)])).to.equal(4);
    expect(distanceToEdge(p(13, 4), [p(0, 0), p(10, 0)])).to.equal(5);
    expect(isUprightBox(square(3, 4))).to.equal(true);
    expect(isUprightBox([p(0, 0), p(10, 1), p(10, 10), p(0, 10)])).to.equal(false);
  });

  it('stand for curves within the flatness', () => {
    // A quarter circle by the usual cubic, radius 80: true to 0.03 % of the radius itself.
    const k = 80 * 0.5522847498;
    const quarter: Path = [
      { kind: 'move', to: p(80, 0) },
      { kind: 'curve', c1: p(80, k), c2: p(k, 80), to: p(0, 80) },
      { kind: 'line', to: p(0, 0) },
      { kind: 'close' },
    ];
    const [flat] = flatten(quarter);
    for (const [a, b] of edgesOf(flat!).slice(0, -2)) {
      const middle = Math.hypot((a.xMm + b.xMm) / 2, (a.yMm + b.yMm) / 2);
      expect(Math.abs(middle - 80)).to.be.lessThan(FLATNESS_MM + 80 * 0.0003);
    }
  });

  it('grow and shrink by the same distance everywhere', () => {
    // Mitred: a 40 mm square grown by 3 is 46 square; rounded, its corners are quarter circles.
    expect(areaOf(offset(square(0, 40), 3)[0]!)).to.be.closeTo(46 * 46, 1e-3);
    expect(areaOf(offset(square(0, 40), 3, 'round')[0]!)).to.be.closeTo(40 * 40 + 4 * 40 * 3 + Math.PI * 9, 0.1);
    expect(areaOf(offset(square(0, 40), -3)[0]!)).to.be.closeTo(34 * 34, 1e-3);
    expect(offset(square(0, 40), -21)).to.deep.equal([]);
    // Whichever way round the points run.
    expect(areaOf(offset([...square(0, 40)].reverse(), 3)[0]!)).to.be.closeTo(46 * 46, 1e-3);
  });

  it('unite and take away', () => {
    expect(areaOf(united([square(0, 10), square(5, 10)])[0]!)).to.be.closeTo(175, 1e-6);
    expect(areaOf(without(square(0, 10), square(5, 10))[0]!)).to.be.closeTo(75, 1e-6);
  });
});
