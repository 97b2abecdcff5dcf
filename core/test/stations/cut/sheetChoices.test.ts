import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { KEEP_OFFCUT_MM, offcutsOf } from '../../../src/stations/cut/sheetChoices.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

describe('ways to lay a job out', () => {
  it('are what taking them gives: as many up, as many sheets, as many strokes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('flat' as const, 'sideFold' as const, 'cascade' as const, 'hingedShape' as const),
        fc.constantFrom(...workshop.trimmers.map(({ id }) => id)),
        fc.integer({ min: 50, max: 110 }),
        fc.integer({ min: 60, max: 150 }),
        (format, trimmerId, w, h) => {
          const job = inkedWith(
            ...sized(format, w, h),
            decide((job) => job.brief.wanted, 60),
            decide((job) => job.cut.trimmerId, trimmerId),
          );
          const { choices } = plan(job).cut;
          for (const row of choices) {
            const taken = plan(changeJob(job, row.changes));
            expect(taken.sheet.up, row.id).to.equal(row.up);
            expect(taken.sheet.sheets, row.id).to.equal(row.sheets);
            expect(taken.size.bleedMm > 0).to.equal(row.bleed);
            expect(taken.cut.choices[0]!.id).to.equal(row.id);
            expect(taken.cut.strokes, row.id).to.equal(row.strokes ?? 0);
            expect(taken.cut.offcuts[0] ?? null, row.id).to.deep.equal(row.offcut);
            if (taken.cut.moves.length === 0 && taken.sheet.up > 1) expect(row.strokes).to.equal(null);
          }
          expect(choices.filter((row) => row.isNow).length).to.be.at.most(1);
        },
      ),
      { numRuns: runs(30) },
    );
  });

  it('lists the one in force first and then the cheapest', () => {
    const { choices } = plan(inkedWith(...sized('sideFold', 96, 136))).cut;
    expect(choices[0]!.isNow).to.equal(true);
    const costs = choices.slice(1).map((row) => row.costMinor);
    expect([...costs].sort((a, b) => a - b)).to.deep.equal(costs);
  });
});

describe('offcuts', () => {
  it('lie on the sheet, off every card and off each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 180 }), fc.integer({ min: 60, max: 180 }), (w, h) => {
        const { cut, sheet } = plan(inkedWith(...sized('flat', w, h)));
        const waste = cut.moves.filter((m) => m.fallsOff === 'waste').flatMap((m) => m.beyond);
        const meets = (a: (typeof waste)[number], b: (typeof waste)[number]): boolean =>
          a.xMm + a.widthMm > b.xMm + 1e-6 &&
          b.xMm + b.widthMm > a.xMm + 1e-6 &&
          a.yMm + a.heightMm > b.yMm + 1e-6 &&
          b.yMm + b.heightMm > a.yMm + 1e-6;
        for (const [i, box] of waste.entries()) {
          expect(box.xMm).to.be.at.least(-1e-9);
          expect(box.xMm + box.widthMm).to.be.at.most(sheet.sheetWidthMm + 1e-6);
          expect(box.yMm + box.heightMm).to.be.at.most(sheet.sheetHeightMm + 1e-6);
          for (const { trim } of sheet.cells) expect(meets(box, trim)).to.equal(false);
          for (const other of waste.slice(i + 1)) expect(meets(box, other)).to.equal(false);
        }
        // Cards and waste are the whole sheet: nothing is lost and nothing counted twice.
        const area = (boxes: readonly { widthMm: number; heightMm: number }[]): number =>
          boxes.reduce((sum, b) => sum + b.widthMm * b.heightMm, 0);
        if (sheet.up > 0)
          expect(area(waste) + area(sheet.cells.map((c) => c.trim))).to.be.closeTo(
            sheet.sheetWidthMm * sheet.sheetHeightMm,
            1e-3,
          );
      }),
      { numRuns: runs(60) },
    );
  });

  it('are kept from a hand’s breadth, alike ones together, the largest first', () => {
    const found = offcutsOf([
      { widthMm: 70, heightMm: 200 },
      { widthMm: KEEP_OFFCUT_MM - 1, heightMm: 400 },
      { widthMm: 70, heightMm: 200 },
      { widthMm: 100, heightMm: 297 },
    ]);
    expect(found).to.deep.equal([
      { widthMm: 100, heightMm: 297, perSheet: 1 },
      { widthMm: 70, heightMm: 200, perSheet: 2 },
    ]);
  });
});
