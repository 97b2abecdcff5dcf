import type { Job, Plan, Workshop } from '@zippy/core';
import type { PlanAnswer, PlanQuestion } from './plan.worker.ts';

const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
const waiting = new Map<number, { done(plan: Plan): void; failed(why: Error): void }>();
let last = 0;

worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
  const asked = waiting.get(data.number);
  waiting.delete(data.number);
  if (data.ok) asked?.done(data.plan);
  else asked?.failed(new Error(data.why));
};

/** A worker that breaks answers nothing more of what it was asked: whoever waits is told. */
worker.onerror = () => {
  const all = [...waiting.values()];
  waiting.clear();
  for (const { failed } of all) failed(new Error('The plan could not be worked out; load the page again.'));
};

/** The maker's own day, as an ISO date. */
export function today(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

/** Which card of a list of names is looked at, and which sheet. */
export type Shown = Pick<PlanQuestion, 'card' | 'sheetNumber'>;

/** Plans a job off the main thread. */
export function askPlan(job: Job, workshop: Workshop, shown: Shown = { card: 0, sheetNumber: 1 }): Promise<Plan> {
  last += 1;
  const number = last;
  return new Promise((done, failed) => {
    waiting.set(number, { done, failed });
    worker.postMessage({ number, job, workshop, today: today(), ...shown } satisfies PlanQuestion);
  });
}
