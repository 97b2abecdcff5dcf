import { expect } from 'chai';
import fc from 'fast-check';
import { key, run, type Piece } from '../../blindTrimmer.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import type { Workshop } from '../../../src/workshop/types.ts';
import { runs } from '../../runs.ts';

/** The shelf’s tools, none of which cuts longer than this. */
const cutting = (longestCutMm: number): Workshop => ({
  ...workshop,
  trimmers: workshop.trimmers.map((tool) => ({ ...tool, longestCutMm })),
});

describe('planCuts', () => {
  it('frees exactly the planned cards from the sheet when a blind trimmer follows it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('flat', 'sideFold', 'tentFold'),
        fc.integer({ min: 30, max: 120 }),
        fc.integer({ min: 30, max: 120 }),
        fc.constantFrom(0, 2, 3.175),
        fc.constantFrom('respect', 'ignore'),
        fc.constantFrom(220, 600),
        (format, w, h, bleedMm, grain, longestCutMm) => {
          const p = plan(
            inkedWith(
              ...sized(format, w, h),
              decide((job) => job.size.bleedMm, bleedMm),
              decide((job) => job.sheet.grain, grain),
            ),
            cutting(longestCutMm),
          );
          fc.pre(p.sheet.up > 0);
          const cards = p.sheet.placements.map(({ trim: t }) =>
            key({ left: t.xMm, top: t.yMm, right: t.xMm + t.widthMm, bottom: t.yMm + t.heightMm }),
          );
          const whole = { left: 0, top: 0, right: p.sheet.sheetWidthMm, bottom: p.sheet.sheetHeightMm };
          const freed = run(p.cut.moves, whole, (move, fell) => {
            // What is called a card when it comes off is one, and what is called a strip is not one yet.
            const holds = (piece: Piece): boolean =>
              p.sheet.placements.some(
                ({ trim: t }) =>
                  t.xMm > piece.left - 1e-6 &&
                  t.yMm > piece.top - 1e-6 &&
                  t.xMm + t.widthMm < piece.right + 1e-6 &&
                  t.yMm + t.heightMm < piece.bottom + 1e-6,
              );
            for (const piece of fell.filter(holds))
              if (move.fallsOff === 'card') expect(cards, move.text).to.include(key(piece));
              else expect(cards, move.text).to.not.include(key(piece));
          }).map(key);
          for (const card of cards) expect(freed).to.include(card);
        },
      ),
      { numRuns: runs(150) },
    );
  });

  const six: readonly JobChange[] = [
    ...sized('flat', 85, 55),
    decide((job) => job.sheet.spares, 0),
    decide((job) => job.brief.wanted, 90),
  ];

  it('counts strokes by the stack: 10 sheets of 0.37 mm on a tool that takes 0.8 mm go two at a time', () => {
    const { cut, sheet } = plan(inkedWith(...six));
    expect(cut.sheetsAtOnce).to.equal(2);
    const byHand = cut.moves.reduce((sum, move) => sum + Math.ceil((sheet.sheets * move.piecesPerSheet) / 2), 0);
    expect(cut.strokes).to.equal(byHand);
  });

  it('takes three sheets of 100 µm where 0.3 mm fits, and not the two that floating point makes of it', () => {
    const job = inkedWith(...six);
    const thin: Workshop = {
      ...workshop,
      stocks: workshop.stocks.map((stock) => ({ ...stock, caliperMicron: 100 })),
      trimmers: workshop.trimmers.map((tool) => ({ ...tool, thickestStackMm: 0.3 })),
    };
    expect(plan(job, thin).cut.sheetsAtOnce).to.equal(3);
  });

  it('calls what still wants cutting a strip, though it holds one card', () => {
    // Open 150 × 110 in one column on A4: each comes off with waste at either end, and wants two more cuts.
    // A tool too short for the sheet’s height cuts rows first.
    const { cut, sheet } = plan(inkedWith(...sized('flat', 150, 110)), cutting(220));
    expect(new Set(sheet.cells.map(({ trim: t }) => t.xMm)).size).to.equal(1);
    expect(cut.moves.some(({ fallsOff }) => fallsOff === 'strip')).to.equal(true);
  });

  it('cuts along the axis first that hands on fewer strips', () => {
    // Two columns of five: cut into columns, two strips go through five or six cuts each; cut into rows, five strips.
    const { cut, sheet } = plan(inkedWith(...sized('flat', 95, 50)), cutting(600));
    const columns = new Set(sheet.cells.map(({ trim: t }) => t.xMm)).size;
    const rows = new Set(sheet.cells.map(({ trim: t }) => t.yMm)).size;
    expect([columns, rows, sheet.up]).to.deep.equal([2, 5, 10]);
    // A true edge, and with gutters two cuts a card but for the last: 2 × 2 + 1 over the sheet, 2 × 5 + 1 over the strips.
    const passes = cut.moves.reduce((n, move) => n + move.piecesPerSheet, 0);
    const one = (cards: number): number => 2 * cards;
    const across = one(columns) + columns * one(rows);
    const down = one(rows) + rows * one(columns);
    expect(Math.min(across, down)).to.equal(across);
    expect(passes).to.equal(across);
  });

  it('says the turns: half for the second true edge, a quarter for the other way', () => {
    const turns = plan(inkedWith(...six)).cut.moves.map((m) => m.turn);
    expect(turns[0]).to.equal('To begin');
    expect(turns[1]).to.equal('Half turn');
    expect(turns.filter((t) => t.startsWith('Quarter turn'))).to.have.length(1);
    expect(turns.slice(2).filter((t) => t === 'No turn').length).to.be.greaterThan(2);
  });

  it('stops when the blade is shorter than the cut and names one that is not', () => {
    const job = inkedWith(
      ...sized('flat', 148, 105),
      decide((job) => job.cut.trimmerId, 'short'),
    );
    const shop = {
      ...workshop,
      trimmers: [
        ...workshop.trimmers,
        { id: 'short', name: 'the toy slider', kind: 'sliding' as const, longestCutMm: 150, thickestStackMm: 1 },
      ],
    };
    const snag = plan(job, shop).cut.snags[0]!;
    expect(snag).to.include({ id: 'cut-too-long', level: 'stop' });
    expect(snag.remedies.length).to.be.greaterThan(0);
  });
});
