import { expect } from 'chai';
import type { Job, Plan } from '@zippy/core';
import type { PlanAnswer, PlanQuestion } from '../../src/workers/plan.worker.ts';
import type { usePlan as Planning } from '../../src/stores/plan.ts';
import { aJob, workshop } from '../support.ts';

/** A worker that answers when it is told to. */
class PretendWorker {
  static one: PretendWorker;
  onmessage: ((event: { data: PlanAnswer }) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly asked: PlanQuestion[] = [];
  constructor() {
    PretendWorker.one = this;
  }
  postMessage(question: PlanQuestion): void {
    this.asked.push(question);
  }
}
/** Whatever follows from an answer has happened after a turn of the loop. */
const settled = (): Promise<void> => new Promise((done) => setTimeout(done));

describe('plans of what is typed', () => {
  let usePlan: typeof Planning;
  let worker: PretendWorker;
  const before_ = globalThis.Worker;

  before(async () => {
    globalThis.Worker = PretendWorker as unknown as typeof Worker;
    ({ usePlan } = await import('../../src/stores/plan.ts'));
    worker = PretendWorker.one;
  });
  after(() => {
    globalThis.Worker = before_;
  });
  beforeEach(() => {
    worker.asked.length = 0;
    usePlan.getState().clear();
  });

  const ask = (job: Job, sheetNumber = 1): void => usePlan.getState().ask(job, workshop, { card: 0, sheetNumber });
  const planOf = (title: string): Plan => ({ brief: { verdict: title } }) as unknown as Plan;
  async function answer(said: Plan | string): Promise<void> {
    const { number } = worker.asked.at(-1)!;
    worker.onmessage!({
      data: typeof said === 'string' ? { number, ok: false, why: said } : { number, ok: true, plan: said, tookMs: 1 },
    });
    await settled();
  }

  it('are asked for one at a time: what was typed over in between is never planned, the last always is', async () => {
    const [first, second, third] = [aJob('first'), aJob('second'), aJob('third')];
    ask(first);
    ask(second);
    ask(third, 4);
    expect(worker.asked.map(({ job }) => job.brief.title)).to.deep.equal(['first']);
    await answer(planOf('first'));
    expect(usePlan.getState().job).to.equal(first);
    expect(worker.asked.map(({ job }) => job.brief.title)).to.deep.equal(['first', 'third']);
    expect(worker.asked[1]!.sheetNumber).to.equal(4);
    await answer(planOf('third'));
    expect(usePlan.getState().job).to.equal(third);
    expect(usePlan.getState().plan!.brief.verdict).to.equal('third');
    expect(worker.asked).to.have.length(2);
  });

  it('that fail are said, with the last plan kept, and the next one takes the words away', async () => {
    ask(aJob('sound'));
    await answer(planOf('sound'));
    ask(aJob('odd'));
    await answer('it will not fold');
    expect(usePlan.getState().problem).to.equal('it will not fold');
    expect(usePlan.getState().plan!.brief.verdict).to.equal('sound');
    ask(aJob('sound again'));
    await answer(planOf('sound again'));
    expect(usePlan.getState().problem).to.equal(null);
  });

  it('are not waited for from a worker that broke, and are asked for again', async () => {
    ask(aJob('lost'));
    worker.onerror!();
    await settled();
    expect(usePlan.getState().problem).to.match(/load the page again/);
    ask(aJob('after'));
    expect(worker.asked.at(-1)!.job.brief.title).to.equal('after');
    await answer(planOf('after'));
    expect(usePlan.getState().plan!.brief.verdict).to.equal('after');
  });

  it('of a wall come one after the other, after what is opened meanwhile, and not at all once nobody waits', async () => {
    const { askPlanInTurn } = await import('../../src/workers/planner.ts');
    const titles = () => worker.asked.map(({ job }) => job.brief.title);
    const left = new AbortController();
    const planned: string[] = [];
    const turn = (title: string, unless = new AbortController().signal) =>
      void askPlanInTurn(aJob(title), workshop, unless).then(() => planned.push(title));
    turn('soonest');
    turn('gone', left.signal);
    turn('latest');
    expect(titles()).to.deep.equal(['soonest']);
    left.abort();
    ask(aJob('opened'));
    expect(titles()).to.deep.equal(['soonest', 'opened']);
    const [soonest, opened] = worker.asked.map(({ number }) => number);
    worker.onmessage!({ data: { number: soonest!, ok: true, plan: planOf('soonest'), tookMs: 1 } });
    await settled();
    // One is still waited for.
    expect(titles()).to.deep.equal(['soonest', 'opened']);
    worker.onmessage!({ data: { number: opened!, ok: true, plan: planOf('opened'), tookMs: 1 } });
    await settled();
    expect(titles()).to.deep.equal(['soonest', 'opened', 'latest']);
    await answer(planOf('latest'));
    expect(planned).to.deep.equal(['soonest', 'latest']);
  });
});
