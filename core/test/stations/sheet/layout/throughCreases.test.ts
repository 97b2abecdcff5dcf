import { expect } from 'chai';
import type { Crease } from '../../../../src/ground/fold/types.ts';
import { translation, type Affine } from '../../../../src/ground/geometry/affine.ts';
import { mapBox } from '../../../../src/ground/geometry/box.ts';
import type { SheetPlan } from '../../../../src/stations/sheet/types.ts';
import { throughCreases } from '../../../../src/stations/sheet/layout/throughCreases.ts';
import type { SizePlan } from '../../../../src/stations/size/planSize.ts';

type Corner = readonly [x: number, y: number];
const RECTANGLE: readonly Corner[] = [
  [0, 0],
  [100, 0],
  [100, 60],
  [0, 60],
];
const crease = (from: Corner, to: Corner, direction: Crease['direction'] = 'mountain'): Crease =>
  ({
    ...{ id: `${from.join()}-${to.join()}`, direction },
    from: { xMm: from[0], yMm: from[1] },
    to: { xMm: to[0], yMm: to[1] },
  }) as Crease;
const MIDDLE = crease([50, 0], [50, 60]);
/** Turned clockwise by a quarter about its own corner, then moved so that it lies at x, y. */
const turned = (x: number, y: number): Affine => [0, 1, -1, 0, x + 60, y];

/** What is found on a sheet of blanks that lie at some places. */
function lines(
  creases: readonly Crease[],
  places: readonly Affine[],
  outline: readonly Corner[] = RECTANGLE,
): readonly string[] | string {
  const points = outline.map(([xMm, yMm]) => ({ xMm, yMm }));
  const size = { form: { blank: { creases, outline: points } } } as unknown as SizePlan;
  const box = { xMm: 0, yMm: 0, widthMm: 100, heightMm: 60 };
  const placements = places.map((toSheet) => ({ toSheet, trim: mapBox(toSheet, box) }));
  const found = throughCreases(size, { placements } as unknown as SheetPlan);
  return found.ok
    ? found.creases.map(
        ({ id, direction, from, to }) => `${id} ${direction} ${[from.xMm, from.yMm, to.xMm, to.yMm].join(' ')}`,
      )
    : found.why;
}

describe('lines through a whole sheet', () => {
  it('are none without creases or cards', () => {
    expect(lines([], [translation(0, 0)])).to.equal('there is nothing to score');
    expect(lines([MIDDLE], [])).to.equal('there is nothing to score');
  });

  it('run from the first card’s edge to the last one’s, one for all the cards that share it', () => {
    expect(lines([MIDDLE], [translation(10, 10), translation(10, 80), translation(120, 10)])).to.deep.equal([
      'through-1 mountain 60 10 60 140',
      'through-2 mountain 170 10 170 70',
    ]);
    expect(lines([MIDDLE], [turned(10, 10), turned(80, 10)])).to.deep.equal(['through-1 mountain 10 60 140 60']);
    const two = [crease([30, 0], [30, 60]), crease([70, 0], [70, 60], 'valley')];
    expect(lines(two, [translation(0, 0), translation(0, 70)])).to.deep.equal([
      'through-1 mountain 30 0 30 130',
      'through-2 valley 70 0 70 130',
    ]);
    // From right to left it is the same line.
    expect(lines([crease([50, 60], [50, 0])], [translation(0, 0)])).to.deep.equal(['through-1 mountain 50 0 50 60']);
  });

  it('are not where cards on one line bend against each other', () => {
    // Half round, what folded at 30 folds at 70.
    const half = (x: number, y: number): Affine => [-1, 0, 0, -1, x + 100, y + 60];
    const pair = [crease([30, 0], [30, 60]), crease([70, 0], [70, 60], 'valley')];
    expect(lines(pair, [translation(0, 0), half(0, 70)])).to.equal(
      'on one line some cards fold away and some toward you',
    );
    expect(lines([MIDDLE], [translation(0, 0), half(0, 70)])).to.deep.equal(['through-1 mountain 50 0 50 130']);
  });

  it('are not where one would cross a face: beside it, before it or behind it', () => {
    const face = 'a line through one card’s crease would mark the face of another';
    expect(lines([MIDDLE], [translation(0, 0), translation(10, 70)])).to.equal(face);
    expect(lines([MIDDLE], [translation(0, 0), translation(-10, 70)])).to.equal(face);
    // A neighbour whose edge lies on the line, or beyond it, is not crossed.
    expect(lines([MIDDLE], [translation(0, 0), translation(50, 70)])).to.have.length(2);
    expect(lines([MIDDLE], [translation(0, 0), translation(-50, 70)])).to.have.length(2);
    expect(lines([MIDDLE], [translation(0, 0), translation(49, 70)])).to.equal(face);
    expect(lines([MIDDLE], [turned(0, 0), turned(70, 10)])).to.equal(face);
    expect(lines([MIDDLE], [turned(0, 0), turned(70, 50)])).to.have.length(2);
    // Turned against each other each runs over the other.
    expect(lines([MIDDLE], [translation(0, 0), turned(20, 70)])).to.equal(face);
  });

  it('may run past a crease by three tenths, and no farther over a face', () => {
    const short = (gap: number) => lines([crease([50, gap], [50, 60])], [translation(0, 0)]);
    expect(short(0.3)).to.deep.equal(['through-1 mountain 50 0.3 50 60']);
    expect(short(0.32)).to.equal('a line through one card’s crease would mark the face of another');
    expect(lines([crease([50, 0], [50, 59.6])], [translation(0, 0)])).to.be.a('string');
    // Two creases with so much face between them.
    const broken = (gap: number) =>
      lines([crease([50, 0], [50, 30 - gap / 2]), crease([50, 30 + gap / 2], [50, 60])], [translation(0, 0)]);
    expect(broken(0.6)).to.have.length(1);
    expect(broken(0.65)).to.be.a('string');
    // In whatever order they come.
    expect(lines([crease([50, 30], [50, 60]), crease([50, 0], [50, 30])], [translation(0, 0)])).to.have.length(1);
    expect(
      lines([crease([50, 40], [50, 60]), crease([50, 0], [50, 20]), crease([50, 20], [50, 40])], [translation(0, 0)]),
    ).to.have.length(1);
  });

  it('ask a card’s true outline: where its shape is not, nothing is marked', () => {
    // A house: its roof rises from 20 at the sides to 0 in the middle; the crease ends at the eaves.
    const house: readonly Corner[] = [
      [0, 20],
      [50, 0],
      [100, 20],
      [100, 60],
      [0, 60],
    ];
    const at = (x: number, top: number) => lines([crease([x, top], [x, 60])], [translation(0, 0)], house);
    // A quarter of the way across the roof is 10 down.
    expect(at(25, 10)).to.have.length(1);
    expect(at(25, 10.2)).to.have.length(1);
    expect(at(25, 10.5)).to.be.a('string');
    expect(at(75, 10)).to.have.length(1);
    expect(at(75, 10.5)).to.be.a('string');
    // A notch from below: what is left of the line on either side of it must be creased.
    const notched: readonly Corner[] = [
      [0, 0],
      [100, 0],
      [100, 60],
      [60, 60],
      [60, 40],
      [40, 40],
      [40, 60],
      [0, 60],
    ];
    expect(lines([crease([50, 0], [50, 40])], [translation(0, 0)], notched)).to.have.length(1);
    expect(lines([crease([30, 0], [30, 40])], [translation(0, 0)], notched)).to.be.a('string');
    // Level, across the notch: two stretches, of which one is left out.
    expect(
      lines([crease([0, 50], [40, 50]), crease([60, 50], [100, 50])], [translation(0, 0)], notched),
    ).to.have.length(1);
    expect(lines([crease([0, 50], [40, 50])], [translation(0, 0)], notched)).to.be.a('string');
    expect(lines([crease([60, 50], [100, 50])], [translation(0, 0)], notched)).to.be.a('string');
  });
});
