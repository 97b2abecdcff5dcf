import { expect } from 'chai';
import { isPlainRule } from '../../src/job/plainRule.ts';
import { setUpWorkshop, type FirstAnswers } from '../../src/workshop/setUp.ts';
import { checkWorkshop } from '../../src/files/read/check.ts';

const here: FirstAnswers = {
  region: 'GB',
  currency: 'GBP',
  printer: 'inkjetRear',
  trimmers: ['sliding'],
  hasBoard: true,
};

describe('a workshop that is set up', () => {
  it('has the sheet, the rule and the grooves of where it is', () => {
    const british = setUpWorkshop(here);
    expect([british.unit, british.papers]).to.deep.equal(['mm', 'iso']);
    expect([british.stocks[0]!.sheetWidthMm, british.stocks[0]!.sheetHeightMm]).to.deep.equal([210, 297]);
    expect(british.boards[0]!.grooveEveryMm).to.equal(5);
    const american = setUpWorkshop({ ...here, region: 'US', currency: 'USD' });
    expect([american.unit, american.papers]).to.deep.equal(['in', 'northAmerican']);
    expect(american.stocks[0]!.sheetWidthMm).to.be.closeTo(215.9, 1e-9);
    // An eighth of an inch.
    expect(american.boards[0]!.grooveEveryMm).to.be.closeTo(3.175, 1e-9);
    // Canada: letter sheets, and a rule in millimetres.
    const canadian = setUpWorkshop({ ...here, region: 'CA', currency: 'CAD' });
    expect([canadian.unit, canadian.papers]).to.deep.equal(['mm', 'northAmerican']);
  });

  it('begins with the heaviest card that its printer takes', () => {
    const gsm = (part: Partial<FirstAnswers>): number => setUpWorkshop({ ...here, ...part }).stocks[0]!.gsm;
    // A rear feed takes 300 gsm and 0.4 mm, a bypass tray 200 and 0.27, a cassette 160 and 0.22.
    expect(gsm({})).to.equal(250);
    expect(gsm({ printer: 'laser' })).to.equal(200);
    expect(gsm({ printer: 'inkjetCassette' })).to.equal(160);
    // 65 lb cover: 65 · 1406.14 / (20 · 26) = 175.8; 67 lb bristol: 67 · 1406.14 / (22.5 · 28.5) = 146.9.
    expect(gsm({ region: 'US', printer: 'laser' })).to.be.closeTo(175.8, 0.05);
    expect(gsm({ region: 'US', printer: 'inkjetCassette' })).to.be.closeTo(146.9, 0.05);
  });

  it('has what was said and no more, and is a workshop that can be stored', () => {
    const bare = setUpWorkshop({ ...here, trimmers: ['knife', 'machine'], hasBoard: false });
    expect(bare.trimmers.map(({ kind }) => kind)).to.deep.equal(['knife', 'machine']);
    expect(bare.boards.map(isPlainRule)).to.deep.equal([true]);
    const checked = checkWorkshop(JSON.parse(JSON.stringify(bare)));
    expect(checked.ok ? '' : checked.why).to.equal('');
    // Nobody has said what anything costs, or how much of it there is.
    for (const { sheetPriceMinor, onShelf } of bare.stocks) expect([sheetPriceMinor, onShelf]).to.deep.equal([0, 0]);
  });
});
