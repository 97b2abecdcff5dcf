import { expect } from 'chai';
import { plateStands } from '../../../../src/stations/stock/stands/plateStands.ts';
import type { StandingPlate } from '../../../../src/stations/stock/stands/types.ts';

const FREE = { foot: true, left: false, right: false, atMm: null };
const plate = (part: Partial<StandingPlate>): StandingPlate => ({
  ...{ widthMm: 100, heightMm: 200, leanDeg: 0, held: FREE, carries: [] },
  ...{ rigidityUpNm: 0.01, rigidityAcrossNm: 0.01, weightNm2: 1 },
  ...part,
});

/**
 * The load at which a plate that rests on its foot, and on its left edge, buckles under its own weight: its energy counted
 * on a net of points by differences, and the load raised until some shape of the net has none left. Nothing of the code
 * that is tested.
 */
function netBuckles(
  wide: number,
  high: number,
  strip: number,
  held: { left: boolean; top: boolean },
  cells = 10,
): number {
  const poisson = 0.3;
  const rigidity = strip / (1 - poisson ** 2);
  const [dx, dy] = [wide / cells, high / cells];
  const name = (i: number, j: number): number => j * (cells + 1) + i;
  const many = (cells + 1) ** 2;
  const empty = (): number[][] => Array.from({ length: many }, () => new Array<number>(many).fill(0));
  const [bends, presses] = [empty(), empty()];
  const add = (to: number[][], terms: readonly (readonly [number, number])[], by: number): void => {
    for (const [p, u] of terms) for (const [q, v] of terms) to[p]![q]! += by * u * v;
  };
  const share = (i: number): number => (i === 0 || i === cells ? 0.5 : 1);
  for (let j = 0; j <= cells; j += 1)
    for (let i = 0; i <= cells; i += 1) {
      const area = dx * dy * share(i) * share(j);
      const xx = [
        [name(i - 1, j), 1 / dx ** 2],
        [name(i, j), -2 / dx ** 2],
        [name(i + 1, j), 1 / dx ** 2],
      ] as const;
      const yy = [
        [name(i, j - 1), 1 / dy ** 2],
        [name(i, j), -2 / dy ** 2],
        [name(i, j + 1), 1 / dy ** 2],
      ] as const;
      const [inX, inY] = [i > 0 && i < cells, j > 0 && j < cells];
      if (inX && inY) {
        // Both bends, and what one asks of the other.
        add(bends, [...xx, ...yy], rigidity * poisson * area);
        add(bends, xx, rigidity * (1 - poisson) * area);
        add(bends, yy, rigidity * (1 - poisson) * area);
      } else {
        // Along a free edge the other way is free to curl.
        if (inX) add(bends, xx, rigidity * (1 - poisson ** 2) * area);
        if (inY) add(bends, yy, rigidity * (1 - poisson ** 2) * area);
      }
    }
  for (let j = 0; j < cells; j += 1)
    for (let i = 0; i < cells; i += 1) {
      const twist = 1 / (dx * dy);
      add(
        bends,
        [
          [name(i, j), twist],
          [name(i + 1, j), -twist],
          [name(i, j + 1), -twist],
          [name(i + 1, j + 1), twist],
        ],
        2 * rigidity * (1 - poisson) * dx * dy,
      );
    }
  for (let j = 0; j < cells; j += 1)
    for (let i = 0; i <= cells; i += 1)
      add(
        presses,
        [
          [name(i, j), 1 / dy],
          [name(i, j + 1), -1 / dy],
        ],
        (high - (j + 0.5) * dy) * dx * dy * share(i),
      );
  const free = Array.from({ length: many }, (_, k) => k).filter((k) => {
    const [i, j] = [k % (cells + 1), Math.floor(k / (cells + 1))];
    return j > 0 && !(held.left && i === 0) && !(held.top && j === cells);
  });
  const stands = (load: number): boolean => {
    // Gauss: a pivot that is not above nought is a shape that costs nothing.
    const m = free.map((p) => free.map((q) => bends[p]![q]! - load * presses[p]![q]!));
    for (let k = 0; k < m.length; k += 1) {
      if (!(m[k]![k]! > 0)) return false;
      for (let r = k + 1; r < m.length; r += 1) {
        const by = m[r]![k]! / m[k]![k]!;
        if (by !== 0) for (let c = k; c < m.length; c += 1) m[r]![c]! -= by * m[k]![c]!;
      }
    }
    return true;
  };
  let [low, high2] = [0, 4000];
  for (let n = 0; n < 18; n += 1) {
    const middle = (low + high2) / 2;
    if (stands(middle)) low = middle;
    else high2 = middle;
  }
  return low;
}

describe('a standing panel', () => {
  it('between table and ridge buckles as the textbook column does: q·h³ = 18.6 D', () => {
    // S. P. Timoshenko and J. M. Gere, Theory of elastic stability, 1961: hinged at both ends, under its own weight.
    const { margin } = plateStands(plate({ widthMm: 2, held: { ...FREE, atMm: 200 } }))!;
    expect((margin * 1 * 0.2 ** 3) / 0.01).to.be.closeTo(18.57, 0.05);
  });

  it('buckles as a net of points does, held by one upright fold, by none, narrow and wide', () => {
    for (const [wide, high, left, top] of [
      [0.1, 0.15, true, false],
      [0.15, 0.1, true, false],
      [0.1, 0.15, false, true],
    ] as const) {
      const held = { foot: true, left, right: false, atMm: top ? high * 1000 : null };
      const { margin } = plateStands(plate({ widthMm: wide * 1000, heightMm: high * 1000, held }))!;
      const [coarse, fine] = [10, 16].map((cells) => netBuckles(wide, high, 0.01, { left, top }, cells)) as [
        number,
        number,
      ];
      // The net’s fault falls with the square of its mesh: what it comes to with none.
      const net = fine + ((fine - coarse) * (1 / 16) ** 2) / ((1 / 10) ** 2 - (1 / 16) ** 2);
      expect(margin / net, `${wide} × ${high}`).to.be.closeTo(1, 0.02);
    }
  }).timeout(60_000);

  it('bows by its leaning weight as a beam on two rests does while that is light', () => {
    // 5 q l⁴ ÷ 384 D, with q what of its weight lies across it; its own waviness is the rest.
    const lean = (deg: number) => plateStands(plate({ widthMm: 2, leanDeg: deg, held: { ...FREE, atMm: 200 } }))!.bowMm;
    const across = Math.sin((30 * Math.PI) / 180);
    expect(lean(30) - lean(0)).to.be.closeTo((1000 * 5 * across * 0.2 ** 4) / (384 * 0.01), 0.08);
  });

  it('bows the way it leans, and what has buckled sags', () => {
    const held = { ...FREE, atMm: 200 };
    const middle = (part: Partial<StandingPlate>) => plateStands(plate({ held, ...part }))!.bow[6]![6]!;
    expect(middle({ leanDeg: 20 })).to.be.above(0);
    expect(middle({ leanDeg: -20 })).to.equal(-middle({ leanDeg: 20 }));
    const heavy = plateStands(plate({ held, weightNm2: 40 }))!;
    expect(heavy.margin).to.be.below(1);
    expect(heavy.bowMm).to.be.closeTo(60, 1);
    expect(plateStands(plate({ held, weightNm2: 21 }))!.bowMm).to.be.at.most(60.001);
  });

  it('carries less the higher a thing hangs on it, and nothing changes where one lies at its foot', () => {
    const held = { foot: true, left: true, right: false, atMm: null };
    const at = (atMm: number) => plateStands(plate({ held, carries: [{ newtons: 0.2, atMm }] }))!.margin;
    const bare = plateStands(plate({ held }))!.margin;
    expect(at(0)).to.be.closeTo(bare, bare * 1e-9);
    expect(at(60)).to.be.below(bare);
    expect(at(190)).to.be.below(at(60));
  });

  it('does not stand on one edge alone', () => {
    expect(plateStands(plate({}))).to.equal(null);
  });
});
