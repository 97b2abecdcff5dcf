import { expect } from 'chai';
import { newBlanks, newStock, type Stock } from '@zippy/core';
import { bySheet } from '../../src/workshop/wall/bySheet.ts';

describe('stocks on their shelves', () => {
  const stock = (id: string, sheetWidthMm: number, sheetHeightMm: number): Stock => ({
    ...newStock('iso'),
    ...{ id, sheetWidthMm, sheetHeightMm },
  });

  it('lie with those of their sheet’s size, whichever way round it was typed, named as shops name it', () => {
    const shelves = bySheet(
      [
        stock('a3', 297, 420),
        stock('a4', 210, 297),
        stock('lying', 297, 210),
        stock('own', 200, 250),
        { ...newBlanks('iso'), id: 'blanks' },
      ],
      'mm',
    );
    expect(shelves.map(({ heading, stocks }) => [heading, stocks.map(({ id }) => id)])).to.deep.equal([
      ['A4, 210 × 297 mm', ['a4', 'lying']],
      ['Ready-cut cards', ['blanks']],
      ['200 × 250 mm', ['own']],
      ['A3, 297 × 420 mm', ['a3']],
    ]);
  });
});
