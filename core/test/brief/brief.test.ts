import { expect } from 'chai';
import { planBrief } from '../../src/brief/planBrief.ts';
import { changeJob } from '../../src/job/changeJob.ts';
import { say, sayMinutes, sayMoney } from '../../src/job/figures.ts';
import { jobWith, workshop } from '../support.ts';

describe('planBrief', () => {
  const job = jobWith({ path: ['brief', 'dueDate'], value: '2026-12-04' });

  it('counts the days left, over the end of a month', () => {
    const days = planBrief(job, workshop, '2026-11-25').figures.find((f) => f.id === 'days')!;
    expect(days.value).to.deep.equal({ kind: 'count', count: 9, of: 'day' });
    expect(planBrief(job, workshop, '2026-11-25').verdict).to.equal('12 cards to give by 4 December 2026.');
  });
  it('says when it is late, and only when the day is known', () => {
    expect(planBrief(job, workshop, '2026-12-06').snags[0]!.title).to.equal('The due date was 2 days ago');
    expect(planBrief(job, workshop, '2026-12-04').snags).to.be.empty;
    expect(planBrief(job, workshop, null).snags).to.be.empty;
  });
  it('counts envelopes before they run out, and each remedy is enough', () => {
    const many = changeJob(job, [
      { path: ['brief', 'wanted'], value: 90 },
      { path: ['brief', 'envelope'], value: { kind: 'shelf', envelopeId: 'teal-quay' } },
    ]);
    const snag = planBrief(many, workshop, null).snags[0]!;
    expect(snag.title).to.equal('20 envelopes short');
    expect(planBrief(changeJob(many, snag.remedies[0]!.changes), workshop, null).snags).to.be.empty;
  });
});

describe('saying figures', () => {
  it('writes each kind for people', () => {
    const spoken = { unit: 'in', currency: 'GBP' } as const;
    expect(say({ kind: 'length', mm: 139.7 }, spoken)).to.equal('5 1/2 in');
    expect(say({ kind: 'count', count: 1, of: 'day' }, spoken)).to.equal('1 day');
    expect(say({ kind: 'count', count: 2, of: 'day' }, spoken)).to.equal('2 days');
    expect(say({ kind: 'share', share: 0.453 }, spoken)).to.equal('45 %');
    expect(say({ kind: 'share', share: 0.046 }, spoken)).to.equal('4.6 %');
    expect(sayMoney(104, 'GBP')).to.equal('£1.04');
    expect(sayMinutes(0.2)).to.equal('under 1 min');
    expect(sayMinutes(59.4)).to.equal('59 min');
    expect(sayMinutes(125)).to.equal('2 h 05 min');
  });
});
