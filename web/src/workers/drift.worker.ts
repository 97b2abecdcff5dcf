import { DRIFT_RUN, simulateDrift, type DriftFacts, type DriftModel, type DriftRun } from '@zippy/core';

export interface DriftQuestion {
  readonly number: number;
  readonly facts: DriftFacts;
  readonly model: DriftModel;
  readonly cards: number;
  readonly wanted: number;
}
export interface DriftAnswer {
  readonly number: number;
  readonly run: DriftRun;
}

self.onmessage = ({ data }: MessageEvent<DriftQuestion>) => {
  const { number, facts, model, cards, wanted } = data;
  self.postMessage({
    number,
    run: simulateDrift(facts, model, { cards, wanted, seed: DRIFT_RUN.seed }),
  } satisfies DriftAnswer);
};
