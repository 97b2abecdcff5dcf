import { expect } from 'chai';
import highsLoader from 'highs';
import { chooseWhole } from '../../src/shared/chooseWhole.ts';
import { fromHighs } from '../../src/shared/fromHighs.ts';
import type { Column, MixedOrder, SolveProgramme } from '../../src/shared/types.ts';

const sheet = {
  id: 's',
  widthMm: 100,
  heightMm: 100,
  marginsMm: { top: 0, right: 0, bottom: 0, left: 0 },
  cost: 1,
  most: null,
};
/** Three of one kind and three of another; how many lie on a sheet is what the columns say. */
const order: MixedOrder = {
  sheets: [sheet],
  bleedMm: 0,
  gutterMm: 0,
  pieces: [
    { id: 'a', widthMm: 10, heightMm: 10, wanted: 3, mayTurn: false },
    { id: 'b', widthMm: 10, heightMm: 10, wanted: 3, mayTurn: false },
  ],
};
const column = (...counts: readonly number[]): Column => ({ sheet: 0, laid: [], counts });

describe('chooseWhole', () => {
  let solve: SolveProgramme;
  before(async () => {
    solve = fromHighs(await highsLoader());
  });

  it('picks whole numbers of layouts at the bound', () => {
    // Relaxed: one and a half sheets of two and two. In whole numbers: two and two once, and one and one once.
    const used = chooseWhole({
      ...{ order, solve, bound: 2, most: 2, more: null },
      columns: () => [column(1, 0), column(0, 1), column(2, 2), column(1, 1)],
    });
    expect(used.reduce((sum, { times }) => sum + times, 0)).to.equal(2);
    for (const kind of [0, 1])
      expect(used.reduce((sum, { column: { counts }, times }) => sum + counts[kind]! * times, 0)).to.be.at.least(3);
  });

  it('asks for more layouts where too few may serve, and lets in only those that may', () => {
    const known = [column(3, 0), column(0, 3)];
    const heard: boolean[] = [];
    const used = chooseWhole({
      ...{ order, solve, bound: 1, most: 1 },
      columns: () => known,
      more: (prices, mayServe) => {
        // At a third of a sheet each, three and three is worth two sheets and costs one; one of each saves nothing.
        expect(prices.map((price) => Math.round(price * 3))).to.deep.equal([1, 1]);
        for (const one of [column(3, 3), column(1, 1)]) {
          heard.push(mayServe(one));
          if (mayServe(one)) known.push(one);
        }
      },
    });
    // The relaxed programme costs two, one more than is of use: what costs more than it is worth is out at once.
    expect(heard).to.deep.equal([true, false]);
    expect(used).to.deep.equal([{ column: column(3, 3), times: 1 }]);
  });
});
