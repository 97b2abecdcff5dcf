import { expect } from 'chai';
import fc from 'fast-check';
import highsLoader from 'highs';
import { bestLayout, cutPoints } from '../../src/shared/bestLayout.ts';
import { fromHighs } from '../../src/shared/fromHighs.ts';
import { planShared } from '../../src/shared/planShared.ts';
import type { SharedOrder, SolveProgramme } from '../../src/shared/types.ts';
import { evenSides } from '../../src/ground/geometry/box.ts';
import { separable } from '../separable.ts';
import { runs } from '../runs.ts';

describe('planShared', () => {
  let solve: SolveProgramme;
  before(async () => {
    solve = fromHighs(await highsLoader());
  });

  const order = (
    [sheetWidthMm, sheetHeightMm]: readonly [number, number],
    pieces: readonly (readonly [number, number, number, boolean?])[],
    part: Partial<SharedOrder> = {},
  ): SharedOrder => ({
    sheetWidthMm,
    sheetHeightMm,
    marginsMm: evenSides(0),
    bleedMm: 0,
    gutterMm: 0,
    pieces: pieces.map(([widthMm, heightMm, wanted, mayTurn = true], i) => ({
      id: `p${i}`,
      widthMm,
      heightMm,
      wanted,
      mayTurn,
    })),
    ...part,
  });

  it('fills a sheet with two kinds that only together leave nothing', () => {
    // 100 × 100: one 100 × 60 and one 100 × 40, ten of each; alone they would take ten and five sheets.
    const answer = planShared(
      order(
        [100, 100],
        [
          [100, 60, 10],
          [100, 40, 10],
        ],
      ),
      solve,
    );
    expect(answer).to.include({ ok: true, sheets: 10, bound: 10 });
  });

  it('finds the bound where pieces must be mixed and turned: 6 of 50 × 30 and 4 of 70 × 20 on 100 × 70', () => {
    // Area: 6 · 1500 + 4 · 1400 = 14600 of 7000 a sheet: at least 3 sheets.
    const answer = planShared(
      order(
        [100, 70],
        [
          [50, 30, 6],
          [70, 20, 4],
        ],
      ),
      solve,
    );
    expect(answer).to.include({ ok: true, sheets: 3, bound: 3 });
  });

  it('reaches the bound of a dozen kinds that quick dives alone miss by a sheet, and does so the same way twice', () => {
    const dozen = order(
      [330.2, 482.6],
      [
        [128, 110, 39],
        [108, 140, 33, false],
        [145, 151, 28],
        [68, 154, 21, false],
        [140, 84, 33, false],
        [139, 79, 12],
        [72, 56, 25, false],
        [181, 144, 8, false],
        [124, 92, 53],
        [166, 123, 5],
        [130, 166, 44],
        [73, 139, 17],
      ],
      { marginsMm: evenSides(5), bleedMm: 3, gutterMm: 6 },
    );
    const answer = planShared(dozen, solve);
    expect(answer).to.include({ ok: true, sheets: 35, bound: 35 });
    expect(planShared(dozen, solve)).to.deep.equal(answer);
  });

  it('is valid whatever is asked: inside, apart, whole, separable, enough of each, and never under its bound', () => {
    fc.assert(
      fc.property(
        fc.record({
          sheet: fc.constantFrom<(readonly [number, number])[]>([210, 297], [297, 420], [215.9, 279.4]),
          margin: fc.constantFrom(0, 3.4, 5),
          bleedMm: fc.constantFrom(0, 2, 3.175),
          gutterMm: fc.constantFrom(0, 4, 6.35),
          pieces: fc.array(
            fc.tuple(
              fc.integer({ min: 300, max: 1700 }).map((n) => n / 10),
              fc.integer({ min: 300, max: 1700 }).map((n) => n / 10),
              fc.integer({ min: 1, max: 40 }),
              fc.boolean(),
            ),
            { minLength: 1, maxLength: 5 },
          ),
        }),
        ({ sheet, margin, bleedMm, gutterMm, pieces }) => {
          const asked = order(sheet, pieces, { marginsMm: evenSides(margin), bleedMm, gutterMm });
          const answer = planShared(asked, solve);
          if (!answer.ok) throw new Error(answer.why);
          const counts = new Map<string, number>();
          for (const { times, placements } of answer.patterns) {
            for (const p of placements) {
              counts.set(p.id, (counts.get(p.id) ?? 0) + times);
              const piece = asked.pieces.find(({ id }) => id === p.id)!;
              expect([p.widthMm, p.heightMm]).to.deep.equal(
                p.turned ? [piece.heightMm, piece.widthMm] : [piece.widthMm, piece.heightMm],
              );
              if (p.turned) expect(piece.mayTurn).to.equal(true);
              expect(Math.min(p.xMm, p.yMm) - bleedMm).to.be.at.least(margin - 1e-5);
              expect(p.xMm + p.widthMm + bleedMm).to.be.at.most(sheet[0] - margin + 1e-5);
              expect(p.yMm + p.heightMm + bleedMm).to.be.at.most(sheet[1] - margin + 1e-5);
            }
            expect(separable(placements, gutterMm - 2e-5)).to.equal(true);
          }
          for (const piece of asked.pieces) expect(counts.get(piece.id)).to.be.at.least(piece.wanted);
          expect(answer.sheets).to.equal(answer.patterns.reduce((n, p) => n + p.times, 0));
          expect(answer.sheets).to.be.at.least(answer.bound);
        },
      ),
      { numRuns: runs(25) },
    );
  });

  it('stays within one sheet of a bound it has proven, on orders of round sizes', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 8, max: 30 }).map((n) => n * 5),
            fc.integer({ min: 8, max: 30 }).map((n) => n * 5),
            fc.integer({ min: 5, max: 60 }),
            fc.boolean(),
          ),
          { minLength: 2, maxLength: 6 },
        ),
        (pieces) => {
          const answer = planShared(
            order([297, 420], pieces, { marginsMm: evenSides(5), bleedMm: 2.5, gutterMm: 5 }),
            solve,
          );
          if (!answer.ok) throw new Error(answer.why);
          expect(answer.sheets - answer.bound).to.be.at.most(1);
        },
      ),
      { numRuns: runs(15) },
    );
  });

  it('says which piece does not fit', () => {
    expect(
      planShared(
        order(
          [100, 100],
          [
            [50, 50, 1],
            [120, 20, 3],
          ],
        ),
        solve,
      ),
    ).to.deep.equal({
      ok: false,
      why: 'piece p1 does not fit on the sheet with its bleed inside the margins; use a larger sheet or a smaller piece',
    });
  });
});

describe('cutPoints', () => {
  it('leaves out sums that another sum cannot lie beside', () => {
    // Sums of 35 and 50 up to 120: 0 35 50 70 85 100 105 120. Beside 35 there is room for 85, beside 50 for 70; beside 85
    // for 35, beside 100 and 105 for nothing. So nothing is ever cut at 100 or 105.
    expect(cutPoints([35, 50], 120, 50)).to.deep.equal({ points: [0, 35, 50, 70, 85, 120], complete: true });
  });

  it('keeps those of few pieces where it may not keep all, and says so', () => {
    expect(cutPoints([35, 50], 120, 3)).to.deep.equal({ points: [0, 35, 50], complete: false });
  });
});

describe('bestLayout', () => {
  it('equals trying every cut at every whole millimetre, for a few kinds of pieces at any price', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 30 }),
        fc.integer({ min: 5, max: 30 }),
        fc.array(
          fc.tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 9 }), fc.integer({ min: 1, max: 9 })),
          {
            minLength: 2,
            maxLength: 4,
          },
        ),
        (W, H, kinds) => {
          const ways = kinds.map(([widthNm, heightNm], piece) => ({ piece, widthNm, heightNm, turned: false }));
          const points = (sides: number[], most: number) => cutPoints([...new Set(sides)], most, Infinity);
          const { value, layout } = bestLayout(
            points(
              kinds.map(([w]) => w),
              W,
            ),
            points(
              kinds.map(([, h]) => h),
              H,
            ),
            ways,
            kinds.map(([, , price]) => price),
          );
          const known = new Map<number, number>();
          const most = (x: number, y: number): number => {
            const key = x * 100 + y;
            if (known.has(key)) return known.get(key)!;
            let best = Math.max(0, ...kinds.map(([w, h, price]) => (w <= x && h <= y ? price : 0)));
            for (let at = 1; at <= x / 2; at += 1) best = Math.max(best, most(at, y) + most(x - at, y));
            for (let at = 1; at <= y / 2; at += 1) best = Math.max(best, most(x, at) + most(x, y - at));
            known.set(key, best);
            return best;
          };
          expect(value).to.be.closeTo(most(W, H), 1e-9);
          expect(layout.counts.reduce((sum, n, i) => sum + n * kinds[i]![2], 0)).to.be.closeTo(value, 1e-9);
        },
      ),
      { numRuns: runs(150) },
    );
  });
});
