import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { planBrief } from '../../../src/stations/brief/planBrief.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { say, sayMinutes } from '../../../src/job/figures.ts';
import { sayMoney } from '../../../src/ground/money.ts';
import type { Job } from '../../../src/job/types.ts';
import type { Workshop } from '../../../src/workshop/types.ts';
import { jobWith, words, workshop } from '../../support.ts';

/** A job whose front carries a list of names. */
const named = (people: readonly string[]): ReturnType<typeof jobWith> =>
  jobWith(
    decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [words('Dear {Name}')] }),
    decide((job) => job.names, { columns: ['Name'], rows: people.map((person) => [person]) }),
  );

const briefOf = (job: Job, shop: Workshop) => planBrief({ job, workshop: shop, today: null });

describe('planBrief', () => {
  const job = jobWith(decide((job) => job.brief.dueDate, '2026-12-04'));

  it('counts the days left, over the end of a month', () => {
    const days = planBrief({ job, workshop, today: '2026-11-25' }).figures.find((f) => f.id === 'days')!;
    expect(days.value).to.deep.equal({ kind: 'count', count: 9, of: 'day' });
    expect(planBrief({ job, workshop, today: '2026-11-25' }).verdict).to.equal('12 cards to give by 4 December 2026.');
  });
  it('says when it is late, and only when the day is known', () => {
    expect(planBrief({ job, workshop, today: '2026-12-06' }).snags[0]!.title).to.equal('The due date was 2 days ago');
    expect(planBrief({ job, workshop, today: '2026-12-04' }).snags).to.be.empty;
    expect(planBrief({ job, workshop, today: null }).snags).to.be.empty;
  });
  it('counts envelopes before they run out, and each remedy is enough', () => {
    const many = changeJob(job, [
      decide((job) => job.brief.wanted, 90),
      decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: 'teal-quay' }),
    ]);
    const snag = planBrief({ job: many, workshop, today: null }).snags[0]!;
    expect(snag.title).to.equal('20 envelopes short');
    expect(planBrief({ job: changeJob(many, snag.remedies[0]!.changes), workshop, today: null }).snags).to.be.empty;
  });

  it('is late from the day after it was due, by days said as one and as many', () => {
    const late = (today: string) => planBrief({ job, workshop, today }).snags;
    expect(late('2026-12-05')[0]!.title).to.equal('The due date was 1 day ago');
    const figure = (today: string) => planBrief({ job, workshop, today }).figures.find(({ id }) => id === 'days');
    // On the day itself nothing is left and nothing is late; after it there is no time to count.
    expect(figure('2026-12-04')!.value).to.deep.equal({ kind: 'count', count: 0, of: 'day' });
    expect(figure('2026-12-05')).to.equal(undefined);
    expect(figure('2026-12-03')!.working.inputs.map(({ value }) => (value as { text: string }).text)).to.deep.equal([
      '4 December 2026',
      '3 December 2026',
    ]);
    const [snag] = late('2026-12-05');
    const undated = changeJob(job, snag!.remedies[0]!.changes);
    expect(undated.brief.dueDate).to.equal(null);
    expect(planBrief({ job: undated, workshop, today: '2026-12-05' })).to.include({ verdict: '12 cards to give.' });
    expect(planBrief({ job: undated, workshop, today: '2026-12-05' }).figures.map(({ id }) => id)).to.deep.equal([
      'wanted',
    ]);
  });

  it('makes no more cards than there are envelopes, or makes envelopes; with none left only these', () => {
    const into = (envelopeId: string, wanted: number, onShelf: number) =>
      [
        changeJob(job, [
          decide((job) => job.brief.wanted, wanted),
          decide((job) => job.brief.purpose, 'sell'),
          decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId }),
        ]),
        {
          ...workshop,
          envelopes: workshop.envelopes.map((one) => (one.id === envelopeId ? { ...one, onShelf } : one)),
        },
      ] as const;
    expect(briefOf(...into('teal-quay', 90, 90)).snags).to.deep.equal([]);
    const [many, shop] = into('teal-quay', 91, 90);
    const brief = planBrief({ job: many, workshop: shop, today: null });
    expect(brief.snags[0]!.title).to.equal('1 envelope short');
    expect(brief).to.include({ wanted: 91, telling: '91 to sell' });
    expect(brief.envelopeName).to.match(/Teal/);
    expect(brief.verdict).to.match(/^91 cards to sell by 4 December 2026, into Teal/);
    const [fewer, made] = brief.snags[0]!.remedies.map(({ changes }) => changeJob(many, changes));
    expect([fewer!.brief.wanted, made!.envelope.make]).to.deep.equal([90, true]);
    for (const mended of [fewer!, made!])
      expect(planBrief({ job: mended, workshop: shop, today: null }).snags).to.deep.equal([]);
    const [none, empty] = into('teal-quay', 5, 0);
    expect(
      planBrief({ job: none, workshop: empty, today: null }).snags[0]!.remedies.map(({ changes }) =>
        changes[0]!.path.join('.'),
      ),
    ).to.deep.equal(['envelope.make']);
    // An envelope that was typed has no shelf to run out, and says where its size is from.
    const typed = changeJob(job, [
      decide((job) => job.brief.wanted, 900),
      decide((job) => job.brief.envelope, { kind: 'typed', insideWidthMm: 150, insideHeightMm: 110 }),
    ]);
    const figure = planBrief({ job: typed, workshop, today: null }).figures.find(({ id }) => id === 'envelope')!;
    expect(planBrief({ job: typed, workshop, today: null }).snags).to.deep.equal([]);
    expect(figure.value).to.deep.equal({ kind: 'text', text: '150 × 110 mm' });
    expect(figure.working.sum).to.not.equal(brief.figures.find(({ id }) => id === 'envelope')!.working.sum);
    expect(figure.working.inputs).to.deep.equal([{ label: 'Job', value: { kind: 'text', text: job.brief.title } }]);
  });

  it('counts a list of names in place of what was typed, and says so', () => {
    const sums = [job, named(['Ida', 'Jon', 'Kit'])].map((one) => planBrief({ job: one, workshop, today: null }));
    expect(sums.map(({ wanted }) => wanted)).to.deep.equal([12, 3]);
    expect(sums[0]!.figures[0]!.working.sum).to.not.equal(sums[1]!.figures[0]!.working.sum);
    expect(sums[0]!.figures[0]!.working.sum).to.match(/as typed/);
    expect(sums[0]!.envelopeName).to.equal(null);
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
    expect(sayMoney(104, { currency: 'GBP' })).to.equal('£1.04');
    expect(sayMinutes(0.2)).to.equal('under 1 min');
    expect(sayMinutes(0)).to.equal('none');
    expect(sayMinutes(59.4)).to.equal('59 min');
    expect(sayMinutes(125)).to.equal('2 h 05 min');
  });
});
