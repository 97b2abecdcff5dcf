import { useCallback, useEffect, useRef, useState } from 'react';
import type { MixedOrder, MixedPlan } from '@zippy/core';
import type { SharedNews } from '../workers/shared.worker.ts';

export interface SharedPlan {
  readonly order: MixedOrder | null;
  readonly plan: MixedPlan | null;
  /** Milliseconds since it was asked for, while it is sought. */
  readonly state: 'idle' | 'seeking' | 'done' | 'stopped';
  readonly problem: string | null;
}

const IDLE: SharedPlan = { order: null, plan: null, state: 'idle', problem: null };

/** Asks the solver off the main thread; every better plan is shown as it is found, and any of them can be kept. */
export function useSharedPlan(): SharedPlan & {
  readonly seek: (order: MixedOrder) => void;
  readonly stop: () => void;
} {
  const [found, setFound] = useState<SharedPlan>(IDLE);
  const worker = useRef<Worker | null>(null);
  const end = useCallback((): void => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);
  const seek = useCallback(
    (order: MixedOrder): void => {
      end();
      setFound({ order, plan: null, state: 'seeking', problem: null });
      const failed = (): void => {
        end();
        setFound((before) => ({
          ...before,
          state: before.plan ? 'stopped' : 'idle',
          problem: 'The solver broke off; the best plan so far still stands. Lay them out again to go on.',
        }));
      };
      const own = new Worker(new URL('../workers/shared.worker.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      own.onmessage = ({ data }: MessageEvent<SharedNews>) => {
        if (data.kind === 'failed') return failed();
        if (data.kind === 'better') return setFound((before) => ({ ...before, plan: data.plan }));
        end();
        setFound(
          data.answer.ok
            ? { order, plan: data.answer, state: 'done', problem: null }
            : { order, plan: null, state: 'idle', problem: `${data.answer.why}.` },
        );
      };
      own.onerror = () => failed();
      own.postMessage(order);
    },
    [end],
  );
  const stop = useCallback((): void => {
    end();
    setFound((before) => ({ ...before, state: before.plan ? 'stopped' : 'idle' }));
  }, [end]);
  return { ...found, seek, stop };
}
