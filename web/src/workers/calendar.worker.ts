import { outlook, type JobWork, type Minute, type Stage, type WorkTimes } from '@zippy/core';
import type { Numbered } from './useNewest.ts';

export interface CalendarAsked {
  readonly jobs: readonly JobWork[];
  readonly times: WorkTimes;
  readonly now: Minute;
  /** How far each stage strays, as learnt from runs. */
  readonly strays: Readonly<Partial<Record<Stage, number>>>;
}

/** The order that was in force: a plan that is asked for anew does not jump. */
let before: readonly string[] = [];

self.onmessage = ({ data: { jobs, times, now, strays, number } }: MessageEvent<CalendarAsked & Numbered>) => {
  const answer = outlook(jobs, times, now, { before, strays });
  before = answer.plan.order;
  self.postMessage({ number, answer });
};
