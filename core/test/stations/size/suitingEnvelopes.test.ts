import { expect } from 'chai';
import { suitingEnvelopes } from '../../../src/stations/size/suitingEnvelopes.ts';
import { workshop } from '../../support.ts';

describe('envelopes that suit a card', () => {
  const shelf = (...sizes: readonly (readonly [string, number, number])[]) => ({
    ...workshop,
    envelopes: sizes.map(([id, insideWidthMm, insideHeightMm]) => ({
      ...workshop.envelopes[0]!,
      ...{ id, insideWidthMm, insideHeightMm },
    })),
  });
  const card = { widthMm: 140, heightMm: 100, thicknessMm: 1 };

  it('are those it slides into: good before tight, the closest first, neither what jams nor what rattles', () => {
    // Slack is inside − card − 1 mm: 1.4 jams, 2.9 is tight, 3 to 8 good, over 12 rattles.
    const all = shelf(
      ['jams', 142.4, 102.4],
      ['tight', 143.9, 103.9],
      ['roomy', 148, 108],
      ['close', 144, 104],
      ['rattles', 153.1, 113.1],
    );
    expect(suitingEnvelopes(card, all).map(({ id }) => id)).to.deep.equal(['close', 'roomy', 'tight']);
  });

  it('are the same in whatever order they lie', () => {
    const sizes = [
      ['b', 146, 106],
      ['a', 146, 106],
      ['c', 106, 146],
    ] as const;
    const wanted = ['a', 'b', 'c'];
    expect(suitingEnvelopes(card, shelf(...sizes)).map(({ id }) => id)).to.deep.equal(wanted);
    expect(suitingEnvelopes(card, shelf(...sizes.toReversed())).map(({ id }) => id)).to.deep.equal(wanted);
  });
});
