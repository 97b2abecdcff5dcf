import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import { layOnSheet } from '../../../../src/stations/sheet/layout/layOnSheet.ts';
import { overlaps } from '../../../../src/ground/geometry/box.ts';
import { markRoom } from '../../../../src/stations/sheet/layout/machineMarks.ts';
import { evenSides, grow } from '../../../../src/ground/geometry/box.ts';
import { bleeding, inkedWith, plan, sized, workshop } from '../../../support.ts';

const machine = workshop.trimmers.find(({ id }) => id === 'petrel')!.machine!;
const [stock] = workshop.stocks;
/** A flat card on a sheet of some size, its printer keeping 4 mm all round. */
function lay(
  w: number,
  h: number,
  sheet: { widthMm: number; heightMm: number },
  asked: { machine?: typeof machine; sides?: readonly ('front' | 'back')[] } = {},
) {
  const job = inkedWith(
    ...sized('flat', w, h),
    decide((job) => job.sheet.grain, 'ignore'),
  );
  return layOnSheet(job, plan(job).size, {
    ...{ stock: stock!, marginsMm: evenSides(4), sheet },
    machine: asked.machine,
    ink: bleeding(...(asked.sides ?? ['front'])),
  });
}

describe('a job on a sheet', () => {
  it('for a machine keeps three marks clear of every card, with a strip above and below, or left and right', () => {
    // A sheet of 120 × 160 less ten all round holds one of 94 × 134 and its bleed; its marks want 9 each way.
    const sheet = { widthMm: 120, heightMm: 160 };
    const hand = lay(88, 120, sheet);
    expect([hand.up, hand.machineMarks, hand.marginsMm]).to.deep.equal([1, [], evenSides(4)]);
    const cut = lay(88, 116, sheet, { machine });
    expect(cut.marginsMm).to.deep.equal(evenSides(10));
    expect(cut.machineMarks).to.deep.equal([
      { xMm: 14.5, yMm: 14.5 },
      { xMm: 105.5, yMm: 14.5 },
      { xMm: 14.5, yMm: 145.5 },
    ]);
    for (const { trim } of cut.laid.pieces)
      for (const mark of cut.machineMarks) expect(overlaps(markRoom(mark), grow(trim, evenSides(3)))).to.equal(false);
    expect(cut.up).to.equal(1);
    // Between strips above and below: 160 − 20 − 18 = 122, and 116 with its bleed is just that.
    expect(cut.laid.pieces[0]!.trim.yMm).to.be.closeTo(22, 1e-6);
    expect(lay(88, 117, sheet, { machine }).machineMarks).to.deep.equal([]);
    // Lying the other way it is the strips at the sides: 120 − 20 − 18 = 82, less its bleed is 76.
    const beside = lay(76, 134, sheet, { machine });
    expect([beside.up, beside.machineMarks.length]).to.deep.equal([1, 3]);
    expect(lay(77, 134, sheet, { machine }).machineMarks).to.deep.equal([]);
    // Where no card lies clear of the marks, they are gone and the cards are as without them.
    expect(lay(77, 134, sheet, { machine }).up).to.equal(1);
  });

  it('needs no strip where the cards leave the corners free', () => {
    const free = lay(40, 40, { widthMm: 120, heightMm: 160 }, { machine });
    expect(free.machineMarks).to.have.length(3);
    expect(free.up).to.be.above(1);
  });

  it('has no marks and no bleed where nothing is printed, and no printer’s margin', () => {
    const bare = lay(60, 80, { widthMm: 120, heightMm: 160 }, { machine, sides: [] });
    expect([bare.machineMarks, bare.bleedMm, bare.marginsMm]).to.deep.equal([[], 0, evenSides(10)]);
    expect(lay(60, 80, { widthMm: 120, heightMm: 160 }, { sides: [] }).up).to.equal(4);
    // Printed, 66 × 86 with its bleed goes in once across 112 and, turned, twice down 152.
    expect(lay(60, 80, { widthMm: 120, heightMm: 160 }).up).to.equal(2);
  });

  it('counts cards, not cells, of nested pairs', () => {
    const job = inkedWith(
      ...sized('cascade', 45, 150),
      decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
    );
    const pair = layOnSheet(job, plan(job).size, {
      ...{
        stock: stock!,
        marginsMm: evenSides(4),
        sheet: { widthMm: 210, heightMm: 297 },
        ink: bleeding('front'),
        machine: undefined,
      },
    });
    expect([pair.cell.blanks.length, pair.laid.up, pair.up]).to.deep.equal([2, 1, 2]);
  });
});
