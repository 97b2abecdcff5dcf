import { expect } from 'chai';
import fc from 'fast-check';
import { cutText } from '../../src/job/cutText.ts';
import { runs } from '../runs.ts';

describe('cutText', () => {
  it('keeps letters whole that are written in several signs', () => {
    expect(cutText('harbour', 7)).to.equal('harbour');
    expect(cutText('harbour', 6)).to.equal('harbou');
    // A boat is two units; a family of three people and their joints eight.
    expect([cutText('a⛵b', 1), cutText('ab🚤', 3), cutText('ab🚤', 4)]).to.deep.equal(['a', 'ab', 'ab🚤']);
    expect([cutText('👨‍👩‍👦x', 7), cutText('👨‍👩‍👦x', 8)]).to.deep.equal(['', '👨‍👩‍👦']);
    // An accent that is a sign of its own goes with its letter.
    expect(cutText('cafe\u0301', 4)).to.equal('caf');
  });

  it('is a beginning, no longer than asked, and loses no more than one letter of it', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), fc.nat(60), (text, most) => {
        const cut = cutText(text, most);
        expect(text.startsWith(cut)).to.equal(true);
        expect(cut.length).to.be.at.most(most);
        expect(cut.isWellFormed()).to.equal(text.isWellFormed());
        if (text.length <= most) expect(cut).to.equal(text);
      }),
      { numRuns: runs(200) },
    );
  });
});
