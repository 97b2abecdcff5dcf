import { useEffect } from 'react';
import { BENCH_KEYS, type BenchAct } from '../keys/table.ts';

export type BenchPresses = Readonly<Record<BenchAct, () => void>>;

/** The keys of the bench, while `on`. */
export function useBenchPresses(on: boolean, presses: BenchPresses): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      // A key that is held counts once.
      if (!on || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      // A focused button answers space itself; everywhere else space is the step.
      const onButton = event.target instanceof Element && event.target.closest('button, a') !== null;
      const act = BENCH_KEYS.find(({ key }) => key === event.key.toLowerCase())?.act;
      if (!act || (act === 'done' && onButton)) return;
      event.preventDefault();
      presses[act]();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [on, presses]);
}
