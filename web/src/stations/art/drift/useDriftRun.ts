import { DRIFT_RUN, type DriftFacts, type DriftModel, type DriftRun } from '@zippy/core';
import type { DriftQuestion } from '../../../workers/drift.worker.ts';
import { useNewest } from '../../../workers/useNewest.ts';

const worker = (): Worker =>
  new Worker(new URL('../../../workers/drift.worker.ts', import.meta.url), { type: 'module' });

/** A thousand cards through the trimmer. */
export const useDriftRun = (facts: DriftFacts, model: DriftModel, wanted: number): DriftRun | null =>
  useNewest<DriftQuestion, DriftRun>(worker, { facts, model, wanted, cards: DRIFT_RUN.cards });
