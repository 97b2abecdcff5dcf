import { useEffect, useRef, useState } from 'react';
import { DRIFT_RUN, type DriftFacts, type DriftModel, type DriftRun } from '@zippy/core';
import type { DriftAnswer, DriftQuestion } from '../../../workers/drift.worker.ts';

/** A thousand cards through the trimmer, in a worker; the newest question is the one that is answered. */
export function useDriftRun(facts: DriftFacts, model: DriftModel, wanted: number): DriftRun | null {
  const worker = useRef<Worker | null>(null);
  const number = useRef(0);
  const [run, setRun] = useState<DriftRun | null>(null);
  useEffect(() => {
    const made = new Worker(new URL('../../../workers/drift.worker.ts', import.meta.url), { type: 'module' });
    made.onmessage = ({ data }: MessageEvent<DriftAnswer>) => data.number === number.current && setRun(data.run);
    worker.current = made;
    return () => made.terminate();
  }, []);
  const asked = JSON.stringify({ facts, model, wanted });
  useEffect(() => {
    number.current += 1;
    const question = JSON.parse(asked) as Pick<DriftQuestion, 'facts' | 'model' | 'wanted'>;
    worker.current?.postMessage({
      ...question,
      number: number.current,
      cards: DRIFT_RUN.cards,
    } satisfies DriftQuestion);
  }, [asked]);
  return run;
}
