import { expect } from 'chai';
import highsLoader from 'highs';
import { fromHighs } from '../../src/shared/fromHighs.ts';
import type { Programme, SolveProgramme } from '../../src/shared/types.ts';

describe('HiGHS as the core asks for a solver', () => {
  let solve: SolveProgramme;
  before(async () => {
    solve = fromHighs(await highsLoader());
  });
  const entry = (row: number, value: number) => ({ row, value });
  /** At least 7 of one piece and 5 of another, from sheets of 3 and 1 for 2, and of 1 and 2 for 3. */
  const order: Programme = {
    costs: [2, 3],
    columns: [
      [entry(0, 3), entry(1, 1)],
      [entry(0, 1), entry(1, 2)],
    ],
    rows: [
      { least: 7, most: Infinity },
      { least: 5, most: Infinity },
    ],
    integer: false,
  };

  it('finds the least cost and what one more of each piece would add', () => {
    // Both rows bind: 3x + y = 7 and x + 2y = 5 give x = 1.8 and y = 1.6; 2 × 1.8 + 3 × 1.6 = 8.4.
    const { objective, columns, duals } = solve(order);
    expect(objective).to.be.closeTo(8.4, 1e-9);
    expect(columns.map((x) => Number(x.toFixed(9)))).to.deep.equal([1.8, 1.6]);
    // 3p + q = 2 and p + 2q = 3 give p = 0.2 and q = 1.4, which price the order at 1.4 + 7 = 8.4 as well.
    expect(duals.map((price) => Number(price.toFixed(9)))).to.deep.equal([0.2, 1.4]);
  });

  it('finds the least in whole numbers', () => {
    // Two of each cost 10; three of the first and one of the second are 10 and 5 for 9, and five of the first 10.
    const { objective, columns } = solve({ ...order, integer: true });
    expect(objective).to.be.closeTo(9, 1e-6);
    expect(columns.map(Math.round)).to.deep.equal([3, 1]);
  });

  it('keeps what may run out within what there is, at a price below nought for it', () => {
    // No more than one of the first: then 3 + y ≥ 7 asks for four of the second.
    const { objective, columns, duals } = solve({
      ...order,
      columns: [[...order.columns[0]!, entry(2, 1)], order.columns[1]!],
      rows: [...order.rows, { least: -Infinity, most: 1 }],
    });
    expect(columns.map((x) => Number(x.toFixed(9)))).to.deep.equal([1, 4]);
    expect(objective).to.be.closeTo(14, 1e-9);
    // One more of it would save three of the second for its own price: 2 − 9.
    expect(duals[2]).to.be.closeTo(-7, 1e-9);
  });

  it('has no columns where nothing keeps every limit', () => {
    const never = { ...order, integer: true, rows: [{ least: 7, most: 6 }, order.rows[1]!] };
    expect(solve(never)).to.deep.equal({ objective: Infinity, columns: [], duals: [] });
  });
});
