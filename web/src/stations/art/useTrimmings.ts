import { decide, type Job, type TrimmingChoice } from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { useNotice } from '../../stores/notice.ts';
import { useView } from '../../stores/view/index.ts';
import { newId } from './useFace.ts';

/** The trimmings of a job and the ways to change them. */
export function useTrimmings(job: Job) {
  const change = useJob((s) => s.change);
  const itemIds = useView((s) => s.itemIds);
  const { pickItems } = useView.getState();
  // As the job is at that moment: the one that was drawn may be a few keys old.
  const now = (): readonly TrimmingChoice[] => (useJob.getState().job ?? job).trimmings ?? [];
  const set = (id: string, part: Partial<TrimmingChoice>, key?: string): void => {
    const index = now().findIndex((one) => one.id === id);
    if (index >= 0) change([decide((at) => at.trimmings.at(index), { ...now()[index]!, ...part })], key);
  };
  return {
    inHand: (job.trimmings ?? []).find(({ id }) => itemIds.length === 1 && id === itemIds[0]) ?? null,
    set,
    add: (choice: Omit<TrimmingChoice, 'id'>): void => {
      const id = newId();
      change([decide((at) => at.trimmings, [...now(), { id, ...choice }])]);
      pickItems([id]);
    },
    remove: (id: string, name: string): void => {
      const gone = now().find((one) => one.id === id);
      const jobId = useJob.getState().id;
      change([
        decide(
          (at) => at.trimmings,
          now().filter((one) => one.id !== id),
        ),
      ]);
      pickItems([]);
      useNotice.getState().say(`${name} is taken off.`, () => {
        if (useJob.getState().id !== jobId || !gone) throw new Error('Open the job it was taken from.');
        change([decide((at) => at.trimmings, [...now(), gone])]);
      });
    },
  };
}
