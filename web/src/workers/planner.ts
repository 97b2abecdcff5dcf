import type { Job, Plan, Start, Started, Workshop } from '@zippy/core';
import { at } from '../api/studio.ts';
import type { PlanAnswer, PlanQuestion, StartQuestion } from './plan.worker.ts';

const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
const waiting = new Map<number, { done(answer: PlanAnswer & { ok: true }): void; failed(why: Error): void }>();
let last = 0;

worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
  const asked = waiting.get(data.number);
  waiting.delete(data.number);
  if (data.ok) asked?.done(data);
  else asked?.failed(new Error(data.why));
  nextInTurn();
};

/** A worker that breaks answers nothing more of what it was asked: whoever waits is told. */
worker.onerror = () => {
  const all = [...waiting.values(), ...inTurn.splice(0)];
  waiting.clear();
  for (const { failed } of all) failed(new Error('The plan could not be worked out; load the page again.'));
};

/** The maker's own day, as an ISO date. */
export function today(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

let typefacesVersion = 0;
/** Says that the studio’s own typefaces are others than they were: they are asked for anew. */
export function typefacesChanged(): void {
  typefacesVersion += 1;
}

/** Which card of a list of names is looked at, and which sheet. */
export type Shown = Pick<PlanQuestion, 'card' | 'sheetNumber'>;

/** Plans a job off the main thread. */
export async function askPlan(job: Job, workshop: Workshop, shown: Shown = { card: 0, sheetNumber: 1 }): Promise<Plan> {
  const answer = await ask({
    ...{ job, workshop, today: today(), ...shown },
    typefaces: { at: at('/typefaces'), version: typefacesVersion },
  });
  if (!('plan' in answer)) throw new Error('a plan was asked for, and a beginning came');
  return answer.plan;
}

interface InTurn {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly unless: AbortSignal;
  done(plan: Plan): void;
  failed(why: Error): void;
}
const inTurn: InTurn[] = [];

/**
 * Plans a job once nobody is waiting for another: a wall of jobs is planned one after the other, and a job that is opened
 * meanwhile does not wait for the rest of them.
 * @param unless what nobody waits for any more is never begun, and never answered
 */
export const askPlanInTurn = (job: Job, workshop: Workshop, unless: AbortSignal): Promise<Plan> =>
  new Promise((done, failed) => {
    inTurn.push({ job, workshop, unless, done, failed });
    nextInTurn();
  });

function nextInTurn(): void {
  while (waiting.size === 0) {
    const next = inTurn.shift();
    if (!next) return;
    if (!next.unless.aborted) askPlan(next.job, next.workshop).then(next.done, next.failed);
  }
}

/** Makes a job of what is in hand, off the main thread. */
export async function askStart(start: Start, workshop: Workshop): Promise<Started> {
  const answer = await ask({ start, workshop });
  if (!('started' in answer)) throw new Error('a beginning was asked for, and a plan came');
  return answer.started;
}

type Asked<Question> = Question extends unknown ? Omit<Question, 'number'> : never;

function ask(question: Asked<PlanQuestion | StartQuestion>): Promise<PlanAnswer & { ok: true }> {
  last += 1;
  const number = last;
  return new Promise((done, failed) => {
    waiting.set(number, { done, failed });
    worker.postMessage({ number, ...question });
  });
}
