import { simulateDrift, type DriftFacts, type DriftModel, type DriftRun } from '@zippy/core';

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

/** The same cards every time, so that a changed setting is seen and not another throw of the dice. */
const SEED = 20_261_126;

self.onmessage = ({ data }: MessageEvent<DriftQuestion>) => {
  const { number, facts, model, cards, wanted } = data;
  self.postMessage({ number, run: simulateDrift(facts, model, { cards, wanted, seed: SEED }) } satisfies DriftAnswer);
};
