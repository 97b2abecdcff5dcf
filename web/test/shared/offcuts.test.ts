import { expect } from 'chai';
import { offcutsBeside } from '../../src/shared/sharedOrder.ts';
import { workshop } from '../support.ts';

describe('offcuts for shared sheets', () => {
  const [white] = workshop.stocks;
  const other = workshop.stocks.find(({ colour }) => colour !== white!.colour)!;
  const piece = { ...white!, id: 'left-over', offcutOf: white!.id, sheetWidthMm: 200, sheetHeightMm: 120, onShelf: 14 };
  const shop = { ...workshop, stocks: [...workshop.stocks, piece] };

  it('are those of a paper that is cut from, while there are any and they are not taken yet', () => {
    expect(offcutsBeside([white!], shop)).to.deep.equal([piece]);
    expect(offcutsBeside([white!, piece], shop)).to.deep.equal([]);
    expect(offcutsBeside([other], shop)).to.deep.equal([]);
    expect(offcutsBeside([white!], { ...shop, stocks: [white!, { ...piece, onShelf: 0 }] })).to.deep.equal([]);
    expect(offcutsBeside([white!], workshop)).to.deep.equal([]);
  });
});
