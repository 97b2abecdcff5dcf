import { expect } from 'chai';
import fc from 'fast-check';
import { isDeepStrictEqual } from 'node:util';
import { changeJob } from '@zippy/core';
import { differences } from '../../src/jobs/differences.ts';
import { aJob } from '../support.ts';

describe('differences', () => {
  it('names the place and shows both', () => {
    const mine = changeJob(aJob(), [{ path: ['brief', 'wanted'], value: 77 }]);
    const theirs = changeJob(aJob(), [{ path: ['brief', 'wanted'], value: 66 }]);
    expect(differences(mine, theirs)).to.deep.equal([{ place: 'brief › wanted', mine: '77', theirs: '66' }]);
  });
  it('shows what only one copy has', () => {
    const theirs = changeJob(aJob(), [
      { path: ['art', 'faces', 'front'], value: { background: '#ffffff', picture: null, texts: [] } },
    ]);
    expect(differences(aJob(), theirs)).to.deep.equal([
      { place: 'art › faces › front', mine: '—', theirs: '{"background":"#ffffff","picture":null,"texts":[]}' },
    ]);
  });
  it('tells an empty list from an empty object', () => {
    expect(differences({ x: [] }, { x: {} })).to.have.length(1);
  });
  it('finds none between equals, whatever they are, and some between unequals', () => {
    fc.assert(
      fc.property(fc.json(), fc.json(), (a, b) => {
        // Written once more, −0 becomes 0, as it does on its way to the server.
        const clean = (text: string): unknown => JSON.parse(JSON.stringify(JSON.parse(text)));
        const [left, right] = [clean(a), clean(b)];
        expect(differences(left, clean(a))).to.deep.equal([]);
        if (!isDeepStrictEqual(left, right)) expect(differences({ x: left }, { x: right }).length).to.be.greaterThan(0);
      }),
    );
  });
});
