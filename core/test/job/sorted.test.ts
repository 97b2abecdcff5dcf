import { expect } from 'chai';
import { sortedBy } from '../../src/job/sorted.ts';

describe('sortedBy', () => {
  const things = [
    { id: 'b', weight: 120, price: 9 },
    { id: 'a', weight: 120, price: 9 },
    { id: 'd', weight: 120, price: 4 },
    { id: 'c', weight: 300, price: 1 },
  ];
  const weight = (thing: (typeof things)[number]): number => thing.weight;
  const price = (thing: (typeof things)[number]): number => thing.price;

  it('goes by the first figure that differs, and where none does by the ids', () => {
    expect(sortedBy(things, weight, price).map(({ id }) => id)).to.deep.equal(['d', 'a', 'b', 'c']);
    expect(sortedBy(things, price).map(({ id }) => id)).to.deep.equal(['c', 'd', 'a', 'b']);
    expect(sortedBy(things).map(({ id }) => id)).to.deep.equal(['a', 'b', 'c', 'd']);
  });

  it('is the same whatever order they come in, and leaves that as it was', () => {
    const before = things.map(({ id }) => id);
    expect(sortedBy(things.toReversed(), weight, price)).to.deep.equal(sortedBy(things, weight, price));
    expect(things.map(({ id }) => id)).to.deep.equal(before);
    expect(sortedBy([], weight)).to.deep.equal([]);
  });
});
