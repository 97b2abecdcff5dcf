import wasmUrl from 'highs/runtime?url';
import { fromHighs, planMixed, type MixedAnswer, type MixedOrder, type MixedPlan } from '@zippy/core';

export type SharedNews =
  | { readonly kind: 'better'; readonly plan: MixedPlan }
  | { readonly kind: 'done'; readonly answer: MixedAnswer }
  | { readonly kind: 'failed'; readonly why: string };

/** One order, then the worker’s work is over; whoever tires of waiting ends the worker and keeps the last plan. */
self.onmessage = async ({ data }: MessageEvent<MixedOrder>) => {
  try {
    // The solver waits for itself as it is loaded, so it is loaded here and never delays the first message.
    const { default: highsLoader } = await import('highs');
    const highs = await highsLoader({ locateFile: () => wasmUrl });
    const answer = planMixed(data, fromHighs(highs), {
      onBest: (plan) => self.postMessage({ kind: 'better', plan } satisfies SharedNews),
    });
    self.postMessage({ kind: 'done', answer } satisfies SharedNews);
  } catch (problem) {
    console.error(problem);
    self.postMessage({ kind: 'failed', why: (problem as Error).message } satisfies SharedNews);
  }
};
