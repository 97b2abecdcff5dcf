import { expect } from 'chai';
import { decimalsOf, readPrice, sameFigure, sayExactly, sayMoney } from '../../src/ground/money.ts';
import { sayDay } from '../../src/job/figures.ts';

/** Spaces that do not break, as the platform puts them, are spaces here. */
const plain = (text: string): string => text.replaceAll(/[\u00a0\u202f]/g, ' ');

describe('money and days, as a region writes them', () => {
  it('writes pounds, dollars, euros in two countries and yen', () => {
    const said = (minor: number, currency: string, region?: string) => plain(sayMoney(minor, { currency, region }));
    expect(said(104, 'GBP')).to.equal('£1.04');
    expect(said(123456, 'USD', 'US')).to.equal('$1,234.56');
    expect(said(123456, 'EUR', 'IE')).to.equal('€1,234.56');
    expect(said(123456, 'EUR', 'AT')).to.equal('€ 1.234,56');
    expect(said(1200, 'JPY', 'GB')).to.equal('JP¥1,200');
    expect(said(1250, 'KWD', 'GB')).to.equal('KWD 1.250');
  });

  it('says parts of a minor unit where a working reckons with them', () => {
    expect(sayExactly(12.345, { currency: 'GBP', region: 'GB' })).to.equal('£0.1235');
    expect(plain(sayExactly(12.5, { currency: 'JPY' }))).to.equal('JP¥12.5');
  });

  it('says a day in the region’s own order', () => {
    expect(sayDay('2026-12-04')).to.equal('4 December 2026');
    expect(sayDay('2026-12-04', 'US')).to.equal('December 4, 2026');
    // Nobody’s English is known of Brazil, and that of the United States puts the month first.
    expect(sayDay('2026-12-04', 'BR')).to.equal('4 December 2026');
  });

  it('knows currencies without decimals and with three', () => {
    expect(['GBP', 'JPY', 'KWD'].map(decimalsOf)).to.deep.equal([2, 0, 3]);
  });

  it('keeps the figure of a price where the currency changes', () => {
    expect(sameFigure(1250, 'GBP', 'USD')).to.equal(1250);
    expect(sameFigure(1250, 'GBP', 'JPY')).to.equal(13);
    expect(sameFigure(13, 'JPY', 'KWD')).to.equal(13000);
  });

  it('reads an amount below a million and nothing else', () => {
    expect(readPrice('999999.99', 'GBP')).to.equal(99_999_999);
    expect(readPrice('.5', 'GBP')).to.equal(50);
    expect(readPrice('5.', 'GBP')).to.equal(500);
    for (const text of ['', '1,234.50', 'Infinity', '-3', '1e2']) expect(readPrice(text, 'GBP'), text).to.equal(null);
  });
});
