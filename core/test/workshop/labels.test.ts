import { expect } from 'chai';
import fc from 'fast-check';
import { inCurrency } from '../../src/workshop/inCurrency.ts';
import { papersIn } from '../../src/workshop/papersIn.ts';
import { unitOf } from '../../src/workshop/region.ts';
import { sheetPriceOf } from '../../src/workshop/sheetPrice.ts';
import { readThickness, readWeight, showThickness, showWeight } from '../../src/workshop/stockLabel.ts';
import { GRADES } from '../../src/workshop/types.ts';
import { workshop } from '../support.ts';

describe('a stock’s label', () => {
  it('says weight in grams, or in pounds of a grade by its basis sheet', () => {
    for (const text of ['300', '300 gsm', '300g', ' 300 g/m² '])
      expect(readWeight(text), text).to.deep.equal({ ok: true, value: { gsm: 300 } });
    // 500 sheets of 20 × 26 in are 500 · 0.335483 m²; 110 lb are 49,895 g over them.
    expect(readWeight('110 lb cover')).to.deep.equal({ ok: true, value: { gsm: 297.5, grade: 'cover' } });
    expect(readWeight('80# text')).to.deep.equal({ ok: true, value: { gsm: 118.4, grade: 'text' } });
    expect(readWeight('20 lb. bond')).to.deep.equal({ ok: true, value: { gsm: 75.2, grade: 'bond' } });
  });

  it('is not taken in pounds alone, which are two very different papers, nor in words', () => {
    for (const text of ['80 lb', '80#', '80 lb card', '80 lb textured']) {
      const read = readWeight(text);
      expect(read.ok ? '' : read.why, text).to.match(/^the grade beside pounds, as in 80 lb cover/);
    }
    for (const text of ['', 'heavy', '-300', '3e2', '300 km']) expect(readWeight(text).ok, text).to.equal(false);
  });

  it('says thickness in microns, millimetres, points, mils or inches; a bare number by the ruler', () => {
    const micron = (text: string, unit: 'mm' | 'in' = 'mm') => {
      const read = readThickness(text, unit);
      return read.ok ? read.value : null;
    };
    expect(micron('370')).to.equal(370);
    expect(micron('370 µm')).to.equal(370);
    expect(micron('0,37 mm')).to.equal(370);
    for (const text of ['14 pt', '14pt', '14 mil', '0.014 in', '0.014"']) expect(micron(text), text).to.equal(355.6);
    expect(micron('14', 'in')).to.equal(355.6);
    for (const text of ['', 'thick', '14 stone', '14 constructor', '14 tostring', '-1', '1e2'])
      expect(micron(text), text).to.equal(null);
  });

  it('is shown as it can be read again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 1200 }),
        fc.constantFrom(...GRADES),
        fc.boolean(),
        fc.constantFrom('mm' as const, 'in' as const),
        (gsm, grade, inPounds, unit) => {
          const read = readWeight(showWeight(gsm, grade, inPounds));
          if (!read.ok) throw new Error(read.why);
          // A tenth of a pound is at most half a gram, of the heaviest grade.
          expect(read.value.gsm).to.be.closeTo(gsm, 0.25);
          expect(read.value.grade).to.equal(inPounds ? grade : undefined);
          const thick = readThickness(showThickness(gsm, unit), unit);
          if (!thick.ok) throw new Error(thick.why);
          expect(thick.value).to.be.closeTo(gsm, 1.4);
        },
      ),
    );
  });

  it('prices a sheet by its pack, to parts of a penny', () => {
    expect(sheetPriceOf({ sheetPriceMinor: 24 })).to.equal(24);
    expect(sheetPriceOf({ sheetPriceMinor: 24, pack: { sheets: 50, priceMinor: 1849 } })).to.be.closeTo(36.98, 1e-9);
  });
});

describe('where a studio is', () => {
  it('says which sheets and rulers are usual, unless the studio says otherwise', () => {
    expect(['GB', 'US', 'CA', 'JP', 'MX'].map((region) => papersIn({ region }))).to.deep.equal([
      'iso',
      'northAmerican',
      'northAmerican',
      'iso',
      'northAmerican',
    ]);
    expect(papersIn({})).to.equal('iso');
    expect(papersIn({ region: 'US', papers: 'iso' })).to.equal('iso');
    expect(['GB', 'US', 'CA'].map(unitOf)).to.deep.equal(['mm', 'in', 'mm']);
  });

  it('writes every price of the workshop with the same figure in another currency', () => {
    const yen = inCurrency(workshop, 'JPY');
    expect(yen.hourlyMinor).to.equal(Math.round(workshop.hourlyMinor / 100));
    expect(yen.stocks.find(({ pack }) => pack)!.pack!.priceMinor).to.equal(12);
    for (const [n, printer] of workshop.printers.entries())
      expect(yen.printers[n]!.sidePriceMinor).to.equal(Math.round(printer.sidePriceMinor / 100));
    for (const [n, envelope] of workshop.envelopes.entries())
      expect(yen.envelopes[n]!.priceMinor).to.equal(Math.round(envelope.priceMinor / 100));
    expect(inCurrency(workshop, 'USD')).to.deep.equal({ ...workshop, currency: 'USD' });
  });
});
