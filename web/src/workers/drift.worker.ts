import { DRIFT_RUN, simulateDrift, type DriftFacts, type DriftModel } from '@zippy/core';
import type { Numbered } from './useNewest.ts';

export interface DriftQuestion {
  readonly facts: DriftFacts;
  readonly model: DriftModel;
  readonly cards: number;
  readonly wanted: number;
}

self.onmessage = ({ data }: MessageEvent<DriftQuestion & Numbered>) => {
  const { number, facts, model, cards, wanted } = data;
  self.postMessage({ number, answer: simulateDrift(facts, model, { cards, wanted, seed: DRIFT_RUN.seed }) });
};
