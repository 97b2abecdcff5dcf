import type { ReactNode } from 'react';
import {
  dayAt,
  DAY_MINUTES,
  dayOf,
  onEvening,
  sayDay,
  sayLate,
  sayMinutes,
  sayStageWork,
  type JobWork,
  type Minute,
  type Outlook,
  type WhatIf,
  type Workshop,
} from '@zippy/core';
import { download } from '../api/download.ts';
import { More } from '../slip/More.tsx';
import { Lines, Verdict } from '../slip/parts.ts';
import { PlainButton, Quiet } from '../ui/buttons.tsx';
import { TimesFields } from './TimesFields.tsx';

/** What tonight holds, what cannot be done in time and what would help; then each job with the day to begin by. */
export function TonightSlip({
  outlook,
  jobs,
  now,
  workshop,
  unplanned,
  onTake,
  onMore,
}: {
  readonly outlook: Outlook;
  readonly jobs: readonly JobWork[];
  readonly now: Minute;
  readonly workshop: Workshop;
  readonly unplanned: readonly string[];
  readonly onTake: (jobId: string) => void;
  /** One evening more, on a day. */
  readonly onMore: (day: string, minutes: number) => void;
}): ReactNode {
  const day = (one: string): string => sayDay(one, workshop.region);
  const title = (jobId: string | null): string => jobs.find((job) => job.jobId === jobId)?.title ?? '';
  const late = outlook.plan.jobs.filter(({ lateMinutes }) => lateMinutes > 0);
  const today = dayOf(Math.floor(now / DAY_MINUTES));
  const next = outlook.evenings[0];
  const held = next ? onEvening(outlook, next.day) : [];
  const sayWhatIf = ({ kind, day: on, jobId, mostLate }: WhatIf): string =>
    `${kind === 'evening' ? `One more evening, ${day(on!)}` : `“${title(jobId)}” ordered from outside`}: ${mostLate === 0 ? 'everything is in time' : `the latest is ${sayLate(mostLate)}`}`;
  const file = async (): Promise<void> => {
    const { iCalendar } = await import('@zippy/core/calendar-file');
    const text = iCalendar(outlook, jobs, { studio: workshop.studioName, made: new Date().toISOString() });
    const url = URL.createObjectURL(new Blob([text], { type: 'text/calendar;charset=utf-8' }));
    download({ url, name: 'making.ics' });
    URL.revokeObjectURL(url);
  };
  return (
    <>
      <h2>Calendar</h2>
      <Verdict aria-live="polite">
        {jobs.length === 0
          ? 'Nothing on the wall is left to make.'
          : late.length === 0
            ? 'Everything on the wall can be done in time.'
            : `${late.length === 1 ? `“${title(late[0]!.jobId)}” cannot` : `${late.length} jobs cannot`} be done in time: the latest is ${sayLate(outlook.plan.mostLate)}.`}
      </Verdict>
      {outlook.whatIfs.length > 0 && (
        <Lines aria-label="What would help">
          {outlook.whatIfs.map((one) => (
            <li key={`${one.kind} ${one.day ?? one.jobId}`}>
              <span>{sayWhatIf(one)}</span>
              {one.kind === 'evening' && <Quiet onPress={() => onMore(one.day!, one.minutes)}>Work then</Quiet>}
            </li>
          ))}
        </Lines>
      )}
      <h3>{next ? (next.day === today ? 'Tonight' : `Next, ${day(next.day)}`) : 'No evening is free'}</h3>
      <Lines aria-label="Tonight">
        {held.map(({ jobId, stage, from, to }) => (
          <li key={`${jobId} ${stage} ${from}`}>
            <span>
              {title(jobId)}: {sayStageWork(stage)}
            </span>
            <b>{sayMinutes(to - from)}</b>
          </li>
        ))}
        {next && held.length === 0 && <li>Nothing has to be done.</li>}
      </Lines>
      {jobs.length > 0 && (
        <>
          <h3>To be begun by</h3>
          <Lines aria-label="To be begun by">
            {outlook.plan.order.map((jobId) => {
              const own = outlook.jobs.find((one) => one.jobId === jobId)!;
              const { dueAt } = jobs.find((one) => one.jobId === jobId)!;
              return (
                <li key={jobId}>
                  <Quiet onPress={() => onTake(jobId)}>{title(jobId)}</Quiet>
                  <b>
                    {dueAt === null ? 'no day' : own.shouldHaveBegun ? 'at once' : day(dayAt(own.startBy!))}
                    {own.lateShare >= 0.05 && ` · ${Math.round(own.lateShare * 100)} % late`}
                  </b>
                </li>
              );
            })}
          </Lines>
        </>
      )}
      {unplanned.length > 0 && <p>Not counted, since they cannot be planned: {unplanned.join(', ')}.</p>}
      <PlainButton onPress={() => void file()}>For other calendars, iCalendar</PlainButton>
      <More label="Evenings, hands and racks">
        <TimesFields workshop={workshop} />
      </More>
    </>
  );
}
