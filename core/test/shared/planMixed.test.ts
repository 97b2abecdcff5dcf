import { expect } from 'chai';
import fc from 'fast-check';
import highsLoader from 'highs';
import { partsAfter } from '../../src/stations/cut/partsAfter.ts';
import { fromHighs } from '../../src/shared/fromHighs.ts';
import { partKinds } from '../../src/stations/cut/partKinds.ts';
import { planMixed } from '../../src/shared/planShared.ts';
import type { SharedSheet, MixedOrder, MixedPlan, SolveProgramme } from '../../src/shared/types.ts';
import { evenSides } from '../../src/ground/geometry/box.ts';
import { numberMoves } from '../../src/stations/cut/numberMoves.ts';
import { separable } from '../separable.ts';
import { workshop } from '../support.ts';
import { runs } from '../runs.ts';

const sheet = (id: string, widthMm: number, heightMm: number, part: Partial<SharedSheet> = {}): SharedSheet => ({
  id,
  widthMm,
  heightMm,
  marginsMm: evenSides(0),
  cost: 1,
  most: null,
  ...part,
});
const order = (
  sheets: readonly SharedSheet[],
  pieces: readonly (readonly [number, number, number, boolean?])[],
  part: Partial<MixedOrder> = {},
): MixedOrder => ({
  sheets,
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

describe('planMixed', () => {
  let solve: SolveProgramme;
  before(async () => {
    solve = fromHighs(await highsLoader());
  });

  it('takes the sheet that is cheaper for what it holds', () => {
    // Ten of 100 × 100. A sheet of 200 × 100 holds two for 5, one of 300 × 200 six for 12: 6 + 4 is 12 + 2 · 5 = 22,
    // two large ones are 24, five small ones 25.
    const answer = planMixed(
      order([sheet('small', 200, 100, { cost: 5 }), sheet('large', 300, 200, { cost: 12 })], [[100, 100, 10]]),
      solve,
    );
    expect(answer).to.include({ ok: true, cost: 22 });
    if (!answer.ok) return;
    expect(answer.bound).to.be.at.most(22);
    expect(answer.patterns.map((p) => `${p.times} ${p.sheetId}`).sort()).to.deep.equal(['1 large', '2 small']);
  });

  it('uses up what lies about before it buys, and no more of it than there is', () => {
    const answer = planMixed(
      order(
        [sheet('offcut', 100, 100, { cost: 0.01, most: 3 }), sheet('bought', 200, 200, { cost: 10 })],
        [[100, 100, 9]],
      ),
      solve,
    );
    if (!answer.ok) throw new Error(answer.why);
    const used = (id: string): number =>
      answer.patterns.filter((p) => p.sheetId === id).reduce((n, p) => n + p.times, 0);
    // Nine are eight on two bought sheets, and one of the three offcuts.
    expect([used('bought'), used('offcut')]).to.deep.equal([2, 1]);
    const scarce = planMixed(order([sheet('offcut', 100, 100, { most: 3 })], [[100, 100, 9]]), solve);
    expect(scarce).to.deep.equal({
      ok: false,
      why: 'piece p0 fits only on sheets that may run out; add a sheet that can be bought and is large enough for it',
    });
  });

  it('cuts each piece only from the sheets it may be cut from', () => {
    const asked = order(
      [sheet('white', 200, 200), sheet('green', 200, 200)],
      [
        [100, 100, 6],
        [100, 100, 6],
      ],
    );
    const own = { ...asked, pieces: asked.pieces.map((p, i) => ({ ...p, sheetIds: [i === 0 ? 'white' : 'green'] })) };
    const [mixed, apart] = [planMixed(asked, solve), planMixed(own, solve)];
    if (!mixed.ok || !apart.ok) throw new Error('both can be cut');
    // Twelve on sheets of four are three sheets; six and six apart are two and two.
    expect([mixed.sheets, apart.sheets]).to.deep.equal([3, 4]);
    for (const { sheetId, placements } of apart.patterns)
      for (const { id } of placements) expect(id).to.equal(sheetId === 'white' ? 'p0' : 'p1');
  });

  it('shows usable plans on the way, each at least as good as the last', () => {
    const shown: MixedPlan[] = [];
    const answer = planMixed(
      order(
        [sheet('a4', 210, 297), sheet('a3', 297, 420, { cost: 2 })],
        [
          [148, 105, 40],
          [90, 55, 100],
          [60, 60, 33],
        ],
      ),
      solve,
      { onBest: (plan) => shown.push(plan) },
    );
    if (!answer.ok) throw new Error(answer.why);
    expect(shown.length).to.be.at.least(2);
    shown.forEach((plan, i) => i > 0 && expect(plan.cost).to.be.at.most(shown[i - 1]!.cost));
    expect(shown.at(-1)!.cost).to.equal(answer.cost);
    expect(shown[0]!.patterns.length).to.be.above(0);
  });

  it('is valid on any sheets, never under its bound, and its cuts yield exactly its pieces', () => {
    const anySheet = fc.constantFrom(
      sheet('a4', 210, 297, { cost: 22, marginsMm: evenSides(3.4) }),
      sheet('a3', 297, 420, { cost: 45, marginsMm: evenSides(5) }),
      sheet('letter', 215.9, 279.4, { cost: 20 }),
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(anySheet, { minLength: 1, maxLength: 3, selector: (s) => s.id }),
        fc.constantFrom(0, 2, 3.175),
        fc.array(
          fc.tuple(
            fc.integer({ min: 300, max: 1700 }).map((n) => n / 10),
            fc.integer({ min: 300, max: 1700 }).map((n) => n / 10),
            fc.integer({ min: 1, max: 40 }),
            fc.boolean(),
          ),
          { minLength: 1, maxLength: 4 },
        ),
        (sheets, bleedMm, pieces) => {
          const asked = order(sheets, pieces, { bleedMm, gutterMm: 2 * bleedMm });
          const answer = planMixed(asked, solve);
          if (!answer.ok) throw new Error(answer.why);
          const made = new Map<string, number>();
          for (const { times, sheetId, placements } of answer.patterns) {
            const on = sheets.find((s) => s.id === sheetId)!;
            const page = { xMm: 0, yMm: 0, widthMm: on.widthMm, heightMm: on.heightMm };
            for (const p of placements) {
              made.set(p.id, (made.get(p.id) ?? 0) + times);
              expect(Math.min(p.xMm, p.yMm) - bleedMm).to.be.at.least(on.marginsMm.left - 1e-5);
              expect(p.xMm + p.widthMm + bleedMm).to.be.at.most(on.widthMm - on.marginsMm.right + 1e-5);
              expect(p.yMm + p.heightMm + bleedMm).to.be.at.most(on.heightMm - on.marginsMm.bottom + 1e-5);
            }
            expect(separable(placements, 2 * bleedMm - 2e-5)).to.equal(true);
            const moves = numberMoves(partKinds(placements, page, 2 * bleedMm), {
              sheets: times,
              sheetsAtOnce: 1,
              trimmer: workshop.trimmers[0]!,
              unit: 'mm',
            });
            const parts = partsAfter(page, moves);
            const kept = parts.filter((p) => !p.isWaste).map((p) => p.box);
            expect(kept).to.have.length(placements.length);
            for (const p of placements)
              expect(
                kept.filter((b) =>
                  [b.xMm - p.xMm, b.yMm - p.yMm, b.widthMm - p.widthMm, b.heightMm - p.heightMm].every(
                    (off) => Math.abs(off) < 0.011,
                  ),
                ),
              ).to.have.length(1);
            const area = parts.reduce((sum, { box }) => sum + box.widthMm * box.heightMm, 0);
            expect(area).to.be.closeTo(on.widthMm * on.heightMm, 1e-3);
          }
          for (const piece of asked.pieces) expect(made.get(piece.id)).to.be.at.least(piece.wanted);
          expect(answer.cost).to.be.at.least(answer.bound - 1e-6);
        },
      ),
      { numRuns: runs(30) },
    );
  });
});
