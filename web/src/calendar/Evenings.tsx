import { useState, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import styled, { useTheme } from 'styled-components';
import type { Tokens } from '../theme/tokens.ts';
import {
  DAY_MINUTES,
  dayAt,
  dayNumber,
  dayOf,
  minutesFree,
  onEvening,
  sayMinutes,
  sayStageWork,
  weekdayOf,
  type Block,
  type JobWork,
  type Minute,
  type Outlook,
  type Stage,
  type WorkTimes,
} from '@zippy/core';

const WEEKS = 4;
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
/** How tall an hour of work is. */
const HOUR_PX = 30;

export interface EveningsProps {
  readonly outlook: Outlook;
  readonly jobs: readonly JobWork[];
  readonly times: WorkTimes;
  readonly now: Minute;
  readonly region: string | undefined;
  readonly inHand: string | null;
  readonly onTake: (jobId: string) => void;
  /** A job was let fall on a day. */
  readonly onDrop: (jobId: string, day: string) => void;
}

/** Four weeks of evenings, each as tall as it is long, with what it holds; days that jobs are due hang their flags. */
export function Evenings({ outlook, jobs, times, now, region, inHand, onTake, onDrop }: EveningsProps): ReactNode {
  const [over, setOver] = useState<string | null>(null);
  const today = Math.floor(now / DAY_MINUTES);
  const monday = today - weekdayOf(today);
  const late = new Set(outlook.plan.jobs.filter(({ lateMinutes }) => lateMinutes > 0).map(({ jobId }) => jobId));
  const titles = new Map(jobs.map(({ jobId, title }) => [jobId, title]));
  return (
    <Grid role="table" aria-label="Evenings">
      <div role="row" className="week head">
        {DAYS.map((name) => (
          <span role="columnheader" key={name}>
            {name}
          </span>
        ))}
      </div>
      {Array.from({ length: WEEKS }, (_, week) => (
        <div role="row" className="week" key={week}>
          {Array.from({ length: 7 }, (_, i) => {
            const number = monday + 7 * week + i;
            const day = dayOf(number);
            const free = minutesFree(times, day);
            const due = jobs.filter(({ dueAt }) => dueAt !== null && dayAt(dueAt - 1) === day);
            const isPast = number < today;
            const held = onEvening(outlook, day);
            return (
              <div
                role="cell"
                key={day}
                className={[isPast ? 'past' : '', number === today ? 'today' : '', over === day ? 'over' : ''].join(
                  ' ',
                )}
                onDragOver={(event) => {
                  if (isPast) return;
                  event.preventDefault();
                  setOver(day);
                }}
                onDragLeave={() => setOver((one) => (one === day ? null : one))}
                onDrop={(event) => {
                  event.preventDefault();
                  setOver(null);
                  onDrop(event.dataTransfer.getData('text/plain'), day);
                }}
              >
                <b>{dayNumberSaid(day, region)}</b>
                {due.map(({ jobId, title }) => (
                  <span key={jobId} className={late.has(jobId) ? 'due late' : 'due'}>
                    {late.has(jobId) ? 'Due, late: ' : 'Due: '}
                    {title}
                  </span>
                ))}
                {free > 0 && !isPast && (
                  <>
                    <small className="free">
                      {clock(sum(held))} of {clock(free)} h
                    </small>
                    <ol>
                      {byJob(held).map((blocks) => (
                        <li key={blocks[0]!.jobId}>
                          <Work
                            blocks={blocks}
                            title={titles.get(blocks[0]!.jobId)!}
                            isLate={late.has(blocks[0]!.jobId)}
                            isInHand={blocks[0]!.jobId === inHand}
                            onTake={onTake}
                          />
                        </li>
                      ))}
                    </ol>
                  </>
                )}
              </div>
            );
          })}
        </div>
      ))}
    </Grid>
  );
}

/** Hours and minutes, as short as a narrow column wants them. */
const clock = (minutes: number): string =>
  `${Math.floor(Math.round(minutes) / 60)}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;

const sum = (blocks: readonly Block[]): number => blocks.reduce((n, { from, to }) => n + to - from, 0);

/** What one evening holds of each job, in the order that they are begun. */
function byJob(blocks: readonly Block[]): readonly (readonly Block[])[] {
  const jobs = new Map<string, Block[]>();
  for (const block of blocks) jobs.set(block.jobId, [...(jobs.get(block.jobId) ?? []), block]);
  return [...jobs.values()];
}

/** One job on one evening, as tall as it takes; its edge has the colours of its stages, each as long as it is. */
function Work({
  blocks,
  title,
  isLate,
  isInHand,
  onTake,
}: {
  readonly blocks: readonly Block[];
  readonly title: string;
  readonly isLate: boolean;
  readonly isInHand: boolean;
  readonly onTake: (jobId: string) => void;
}): ReactNode {
  const { colour } = useTheme();
  const { jobId } = blocks[0]!;
  const minutes = sum(blocks);
  const stages = [...new Set(blocks.map(({ stage }) => stage))];
  const said = `${title}: ${stages.map(sayStageWork).join(', ')}, ${sayMinutes(minutes)}`;
  let done = 0;
  const stripes = blocks.map(({ stage, from, to }) => {
    const begin = (100 * done) / minutes;
    done += to - from;
    return `${stageColour(stage, colour)} ${begin}% ${(100 * done) / minutes}%`;
  });
  return (
    <span draggable title={said} onDragStart={(event) => event.dataTransfer.setData('text/plain', jobId)}>
      <WorkButton
        aria-label={isLate ? `${said}, late` : said}
        aria-pressed={isInHand}
        style={{ minHeight: Math.max(20, (minutes / 60) * HOUR_PX) }}
        onPress={() => onTake(jobId)}
      >
        <span className="stripe" style={{ background: `linear-gradient(${stripes.join(', ')})` }} />
        <b>{title}</b>
        <small>{stages.map(sayStageWork).join(', ')}</small>
      </WorkButton>
    </span>
  );
}

const stageColour = (stage: Stage, colour: Tokens['colour']): string =>
  ({ print: colour.teal, cut: colour.plum, crease: colour.ochre, assemble: colour.green, pack: colour.inkQuiet })[
    stage
  ];

/** The day of the month; with its month where one begins. */
function dayNumberSaid(day: string, region: string | undefined): string {
  const date = new Date(dayNumber(day) * 86_400_000);
  const isFirst = date.getUTCDate() === 1;
  return new Intl.DateTimeFormat(region ? `en-${region}` : 'en-GB', {
    ...{ day: 'numeric', timeZone: 'UTC' },
    ...(isFirst ? { month: 'short' } : {}),
  }).format(date);
}

const WorkButton = styled(Button)`
  position: relative;
  display: block;
  width: 100%;
  padding: 1px 4px 3px 11px;
  overflow: hidden;
  border: 1px solid transparent;
  border-radius: 3px;
  background: ${({ theme }) => theme.colour.paper};
  color: ${({ theme }) => theme.colour.ink};
  font-size: 13px;
  line-height: 1.25;
  text-align: left;
  cursor: grab;
  .stripe {
    position: absolute;
    inset: 0 auto 0 0;
    width: 6px;
  }
  small {
    display: block;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
  &[aria-pressed='true'] {
    border-color: ${({ theme }) => theme.colour.marigold};
    background: ${({ theme }) => theme.colour.marigoldWash};
  }
`;

const Grid = styled.div`
  display: grid;
  gap: 6px;
  .week {
    display: grid;
    grid-template-columns: repeat(7, minmax(0, 1fr));
    gap: 6px;
  }
  .head {
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    font-size: 14px;
  }
  [role='cell'] {
    display: grid;
    align-content: start;
    gap: 4px;
    min-height: 74px;
    padding: 5px 6px;
    border-radius: 5px;
    background: ${({ theme }) => theme.colour.slateDeep};
  }
  .past {
    opacity: 0.75;
  }
  .today {
    box-shadow: inset 0 3px 0 ${({ theme }) => theme.colour.marigold};
  }
  .over {
    outline: 2px dashed ${({ theme }) => theme.colour.marigold};
  }
  .due {
    padding: 1px 5px;
    border-left: 3px solid ${({ theme }) => theme.colour.onSlate};
    font-size: 13px;
    line-height: 1.25;
  }
  .late {
    border-left-style: double;
    background: ${({ theme }) => theme.colour.coralWash};
    color: ${({ theme }) => theme.colour.ink};
    font-weight: 700;
  }
  .free {
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    font-size: 13px;
  }
  ol {
    display: grid;
    align-content: start;
    gap: 3px;
    margin: 0;
    padding: 0;
    border-radius: 4px;
    background: ${({ theme }) => theme.colour.slate};
    list-style: none;
  }
`;
