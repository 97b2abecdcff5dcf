import type { ReactNode } from 'react';
import {
  DAY_MINUTES,
  fixed,
  dayAt,
  dayOf,
  sayDay,
  sayLate,
  sayMinutes,
  sayStageWork,
  type JobWork,
  type LearntPace,
  type Outlook,
  type Workshop,
} from '@zippy/core';
import { Lines, Verdict } from '../slip/parts.ts';
import { ButtonLink, PlainButton } from '../ui/buttons.tsx';

/** One job in the calendar: when it is worked on, how sure that is, and the presses that move it. */
export function JobSlip({
  job,
  outlook,
  learnt,
  workshop,
  onBegin,
  onBack,
}: {
  readonly job: JobWork;
  readonly outlook: Outlook;
  readonly learnt: LearntPace;
  readonly workshop: Workshop;
  readonly onBegin: (day: string | null) => void;
  readonly onBack: () => void;
}): ReactNode {
  const { jobId, title, dueAt, notBefore } = job;
  const day = (minute: number): string => sayDay(dayAt(minute), workshop.region);
  const times = outlook.plan.jobs.find((one) => one.jobId === jobId)!;
  const own = outlook.jobs.find((one) => one.jobId === jobId)!;
  const begins = times.beginsAt === null ? null : dayAt(times.beginsAt);
  const at = outlook.evenings.findIndex((evening) => evening.day === begins);
  const before = outlook.evenings[at - 1];
  const after = outlook.evenings[at + 1];
  const last =
    times.endsAt === null
      ? null
      : Math.max(...outlook.plan.blocks.filter((one) => one.jobId === jobId).map(({ to }) => to));
  return (
    <>
      <PlainButton onPress={onBack}>Back to tonight</PlainButton>
      <h2>{title}</h2>
      <Verdict aria-live="polite">
        {times.beginsAt === null || last === null
          ? 'The evenings of the next four months do not hold it.'
          : `Begun ${day(times.beginsAt)}, done ${day(last)}.`}
      </Verdict>
      <p>
        {dueAt === null
          ? 'It is due on no day.'
          : times.lateMinutes > 0
            ? `Due ${day(dueAt - 1)}: ${sayLate(times.lateMinutes)}.`
            : `Due ${day(dueAt - 1)}. ${own.startBy === null || own.shouldHaveBegun ? 'It had to be begun by now' : `To be begun by ${day(own.startBy)}`}; the chance of being late is ${Math.round(own.lateShare * 100)} %.`}
      </p>
      <Lines aria-label="Stages">
        {job.stages.map(({ stage, minutes, waitMinutes }) => (
          <li key={stage}>
            <span>
              {sayStageWork(stage)}
              {waitMinutes > 0 ? `, then ${sayMinutes(waitMinutes)} to dry` : ''}
              {learnt[stage] && (
                <small>
                  {fixed(learnt[stage].times, 2)} × what your pace says, by your last{' '}
                  {learnt[stage].runs === 1 ? 'run' : `${learnt[stage].runs} runs`}
                </small>
              )}
            </span>
            <b>{sayMinutes(minutes)}</b>
          </li>
        ))}
      </Lines>
      {after && (
        <PlainButton onPress={() => onBegin(after.day)}>
          Begin an evening later, {sayDay(after.day, workshop.region)}
        </PlainButton>
      )}
      {notBefore > 0 && before && (
        <PlainButton onPress={() => onBegin(before.day)}>
          Begin an evening sooner, {sayDay(before.day, workshop.region)}
        </PlainButton>
      )}
      {notBefore > 0 && (
        <PlainButton onPress={() => onBegin(null)}>
          Begin whenever there is time, not from {sayDay(dayOf(notBefore / DAY_MINUTES), workshop.region)}
        </PlainButton>
      )}
      <ButtonLink href={`/jobs/${jobId}/make`}>Open the job at Make</ButtonLink>
    </>
  );
}
