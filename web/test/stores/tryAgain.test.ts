import { expect } from 'chai';
import { growingPauses } from '../../src/stores/tryAgain.ts';

describe('pauses between tries', () => {
  it('double from a second and a half to half a minute, and begin anew once one went through', () => {
    const pauses = growingPauses();
    expect(Array.from({ length: 7 }, () => pauses.next())).to.deep.equal([
      1500, 3000, 6000, 12_000, 24_000, 30_000, 30_000,
    ]);
    pauses.reset();
    expect([pauses.next(), growingPauses().next()]).to.deep.equal([1500, 1500]);
  });
});
