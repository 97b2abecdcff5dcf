import { create } from 'zustand';
import type { Job, Plan, Workshop } from '@zippy/core';
import { askPlan, type Shown } from '../workers/planner.ts';

interface PlanState {
  /** The newest plan there is, and the very job it was made from. */
  readonly plan: Plan | null;
  readonly job: Job | null;
  readonly problem: string | null;
  ask(job: Job, workshop: Workshop, shown: Shown): void;
  clear(): void;
}

let newest: { readonly job: Job; readonly workshop: Workshop; readonly shown: Shown } | null = null;
let busy = false;

/** Keeps one question in the worker at a time: while typing, stale jobs are never planned. */
export const usePlan = create<PlanState>()((set) => {
  const next = async (): Promise<void> => {
    if (busy || !newest) return;
    busy = true;
    const asked = newest;
    newest = null;
    try {
      const plan = await askPlan(asked.job, asked.workshop, asked.shown);
      set({ plan, job: asked.job, problem: null });
    } catch (problem) {
      set({ problem: (problem as Error).message });
    } finally {
      busy = false;
    }
    void next();
  };
  return {
    plan: null,
    job: null,
    problem: null,
    ask(job, workshop, shown) {
      newest = { job, workshop, shown };
      void next();
    },
    clear: () => set({ plan: null, job: null, problem: null }),
  };
});
