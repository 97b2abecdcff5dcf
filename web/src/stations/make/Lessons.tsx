import type { ReactNode } from 'react';
import styled from 'styled-components';
import { lessonsFor, sayDay, type Job, type Lesson, type Workshop } from '@zippy/core';
import { useRunLog } from './useRunLog.ts';

const SAME: Readonly<Record<Lesson['of'], string>> = {
  card: 'this card',
  stock: 'the same stock',
  printer: 'the same way through the printer',
  trimmer: 'the same trimmer',
  board: 'the same board',
};

/** What was written down to do differently, where it comes again: said before the next run, when it still helps. */
export function Lessons({
  jobId,
  job,
  workshop,
}: {
  readonly jobId: string;
  readonly job: Job;
  readonly workshop: Workshop;
}): ReactNode {
  const { runs } = useRunLog();
  const lessons = runs ? lessonsFor(runs, { jobId, job }) : [];
  if (lessons.length === 0) return null;
  return (
    <Told aria-label="From the log">
      {lessons.map(({ runId, title, startedAt, of, text }) => (
        <p key={`${runId} ${text}`}>
          <b>{text}</b>
          <small>
            {of === 'card' ? '' : `${title}, `}
            {sayDay(startedAt.slice(0, 10), workshop.region)}: {SAME[of]}
          </small>
        </p>
      ))}
    </Told>
  );
}

const Told = styled.section`
  display: grid;
  gap: 6px;
  p {
    display: grid;
    padding: 6px 10px;
    border-left: 6px solid ${({ theme }) => theme.colour.teal};
    background: ${({ theme }) => theme.colour.tealWash};
  }
  small {
    font-size: 14px;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
`;
