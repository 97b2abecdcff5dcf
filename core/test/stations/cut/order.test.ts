import { type CutChoice } from '../../../src/job/types.ts';
import { expect } from 'chai';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { inkedWith, plan, sized } from '../../support.ts';

const board = (id: string): JobChange => decide((job) => job.crease.boardId, id);
const order = (value: NonNullable<CutChoice['order']>): JobChange => decide((job) => job.cut.order, value);
const A4_IGNORE: JobChange = decide((job) => job.sheet.grain, 'ignore');

describe('score first or cut first', () => {
  it('cuts first where a board has a stop, scores first where creases line up on a plain rule', () => {
    const stop = plan(inkedWith(...sized('tentFold', 140, 60), board('five-board')));
    expect(stop.cut.order.now).to.equal('cutFirst');
    expect(stop.cut.order.why).to.match(/has a stop/);
    const rule = plan(inkedWith(...sized('tentFold', 140, 60), board('rule-board')));
    expect(rule.cut.order.now).to.equal('scoreFirst');
    // One crease for each row of the sheet, in place of one for every card.
    expect(rule.crease.lines).to.have.length(rule.sheet.up);
    expect(rule.make.steps.findIndex((s) => s.kind === 'crease')).to.be.below(
      rule.make.steps.findIndex((s) => s.kind === 'cut'),
    );
  });

  it('measures from the sheet’s own edge: the line lies on every card’s fold', () => {
    const { crease, sheet, size } = plan(inkedWith(...sized('sideFold', 60, 100), board('rule-board'), A4_IGNORE));
    expect(crease.onSheet).to.equal(true);
    const fold = size.form.blank.creases[0]!;
    const folds = sheet.placements.map(({ toSheet: [a, b, c, d, e, f], turned }) =>
      turned ? b * fold.from.xMm + d * fold.from.yMm + f : a * fold.from.xMm + c * fold.from.yMm + e,
    );
    for (const line of crease.lines) {
      const extent = line.upright ? sheet.sheetWidthMm : sheet.sheetHeightMm;
      const near = line.edgeAtStop === 'left' || line.edgeAtStop === 'top';
      const at = near ? line.fromStopMm : extent - line.fromStopMm;
      expect(folds.some((mm) => Math.abs(mm - at) < 1e-6)).to.equal(true);
    }
  });

  it('will not score a line through another card’s face, whatever is chosen', () => {
    // Two blocks turned against each other: a line through one runs over the faces of the other.
    const mixed = plan(inkedWith(...sized('sideFold', 50, 70), board('rule-board'), A4_IGNORE, order('scoreFirst')));
    if (mixed.sheet.layOut.blocks < 2) throw new Error('the example no longer has two blocks');
    expect(mixed.cut.order.now).to.equal('cutFirst');
    expect(mixed.cut.order.why).to.match(/face of another/);
  });

  it('does as it is told where both would do', () => {
    const told = (value: NonNullable<CutChoice['order']>): string =>
      plan(inkedWith(...sized('tentFold', 140, 60), board('rule-board'), order(value))).cut.order.now;
    expect([told('cutFirst'), told('scoreFirst'), told('byTools')]).to.deep.equal([
      'cutFirst',
      'scoreFirst',
      'scoreFirst',
    ]);
  });
});
