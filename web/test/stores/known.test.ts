import { expect } from 'chai';
import type { Snag } from '@zippy/core';
import { isKnown, useKnown } from '../../src/stores/known.ts';

const snag = (part: Partial<Snag> = {}): Snag => ({
  ...{ id: 'drift', station: 'art', level: 'note', title: 'Drift shows', why: '3 % of cards.', remedies: [] },
  ...part,
});
const quiet = (one: Snag, job = 'ebb'): boolean => isKnown(useKnown.getState().known, job, one);

describe('what is waved off', () => {
  beforeEach(() => useKnown.setState({ known: {} }));
  const { waveOff, heed } = useKnown.getState();

  it('is quiet in its own job, word for word, and speaks again with other figures', () => {
    waveOff('ebb', snag());
    expect(quiet(snag())).to.equal(true);
    expect(quiet(snag({ why: '4 % of cards.' }))).to.equal(false);
    expect(quiet(snag({ title: 'Drift shows more' }))).to.equal(false);
    expect(quiet(snag(), 'flow')).to.equal(false);
    expect(quiet(snag({ id: 'ink' }))).to.equal(false);
  });

  it('is as many things as were waved off, and one of them can be heeded again', () => {
    waveOff('ebb', snag());
    waveOff('ebb', snag({ id: 'ink' }));
    heed('ebb', snag());
    expect([quiet(snag()), quiet(snag({ id: 'ink' }))]).to.deep.equal([false, true]);
  });

  it('is never what stops a job', () => {
    waveOff('ebb', snag({ level: 'stop' }));
    expect(quiet(snag({ level: 'stop' }))).to.equal(false);
  });
});
