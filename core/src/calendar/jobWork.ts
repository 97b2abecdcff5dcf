import type { Job } from '../job/types.ts';
import type { Plan } from '../plan/planJob.ts';
import { dayNumber, endOfDay } from './evenings.ts';
import { DAY_MINUTES, STAGES, type JobWork, type Stage, type StageWork } from './types.ts';

/** How long a stage takes beside what the maker’s pace says: learnt from runs, 1 until then. */
export type PaceOf = Readonly<Partial<Record<Stage, number>>>;

/**
 * What is left to do of a job, in its stages; what was made already is in no stage any more.
 * @param shareLeft of its cards, 0 to 1
 */
export function jobWork(
  {
    jobId,
    job,
    plan,
    shareLeft = 1,
  }: { readonly jobId: string; readonly job: Job; readonly plan: Plan; readonly shareLeft?: number },
  paceOf: PaceOf = {},
): JobWork {
  const { stageMinutes } = plan.make;
  const prints = plan.make.steps.some(({ kind }) => kind === 'print');
  const glued = plan.make.steps.reduce((n, { kind, waitMinutes }) => n + (kind === 'dry' ? 0 : (waitMinutes ?? 0)), 0);
  const dries = plan.make.steps.reduce((n, { kind, waitMinutes }) => n + (kind === 'dry' ? (waitMinutes ?? 0) : 0), 0);
  const { beginOn } = job.make;
  return {
    ...{ jobId, title: job.brief.title },
    stages:
      shareLeft <= 0
        ? []
        : STAGES.flatMap((stage): readonly StageWork[] => {
            const minutes = stageMinutes[stage] * shareLeft * (paceOf[stage] ?? 1);
            return minutes > 0
              ? [
                  {
                    ...{ stage, minutes },
                    waitMinutes: stage === 'print' ? dries : stage === 'assemble' ? glued : 0,
                    printerId: stage === 'print' && prints ? plan.stock.printer.id : null,
                  },
                ]
              : [];
          }),
    dueAt: job.brief.dueDate === null ? null : endOfDay(job.brief.dueDate),
    notBefore: beginOn == null ? 0 : dayNumber(beginOn) * DAY_MINUTES,
  };
}
