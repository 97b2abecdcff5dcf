import { expect } from 'chai';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { EMPTY_FACE } from '../../../src/job/newJob.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';

const advice = (...changes: readonly JobChange[]): string =>
  plan(jobWith(...sized('sideFold', 105, 148), ...changes)).envelope.advice.join(' ');
const inked = decide((job) => job.art.faces.at('front'), { ...EMPTY_FACE, background: '#3a6ea5' });

describe('advice for posting', () => {
  it('says which way the fold lies, and that of a flat card nothing does', () => {
    expect(advice()).to.match(/fold at the foot and its front towards the flap/);
    expect(advice(...sized('flat', 105, 148))).to.match(/^Put it in with its front towards the flap\./);
  });

  it('names what presses through and what rubs, and only where it lies outside', () => {
    const put = (trimmingId: string, faceId: string): JobChange =>
      decide((job) => job.trimmings, [{ id: 't1', trimmingId, faceId, xMm: 50, yMm: 70, adhesiveId: null }]);
    const [hard] = workshop.trimmings.filter(({ kind, thickMm }) => kind === 'charm' && thickMm > 1);
    expect(advice(put(hard!.id, 'front'))).to.include(`over ${hard!.name.toLowerCase()}, and a piece of card`);
    expect(advice(put(hard!.id, 'front'))).to.match(/Fold tissue round it/);
    expect(advice(put(hard!.id, 'insideBack'))).to.not.match(/presses through|tissue round/);
  });

  it('lays paper over ink that rubs, on glossy card and of toner', () => {
    const glossy = workshop.stocks.find(({ coating, readyCut }) => coating === 'gloss' && !readyCut)!;
    const on = decide((job) => job.stock.stockId, glossy.id);
    expect(advice(inked, on)).to.match(/plain paper between/);
    expect(advice(on)).to.not.match(/plain paper/);
    expect(advice(inked)).to.not.match(/plain paper/);
  });

  it('stands with the last step where there is an envelope, and not where there is none', () => {
    const job = jobWith(...sized('sideFold', 105, 148));
    const made = changeJob(job, [decide((at) => at.envelope.make, true)]);
    const pack = (of: typeof job): string => plan(of).make.steps.find(({ id }) => id === 'pack')!.detail;
    expect(pack(made)).to.include('fold at the foot');
    expect(
      pack(
        changeJob(made, [decide((at) => at.envelope.make, false), decide((at) => at.brief.envelope, { kind: 'none' })]),
      ),
    ).to.not.include('fold at the foot');
  });
});
