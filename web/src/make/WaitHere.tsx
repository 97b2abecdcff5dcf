import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { plural, type MakeStep, type Timer } from '@zippy/core';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { sayLeft } from './Timers.tsx';

const MORE_MINUTES = 5;

/** Waiting at a step: its timer, and what can be done meanwhile. It never goes on by itself: only the maker sees whether the ink is dry. */
export function WaitHere({
  minutes,
  timer,
  now,
  next,
  onStart,
  onGo,
}: {
  readonly minutes: number;
  readonly timer: Timer | undefined;
  readonly now: number;
  /** The next useful work; null where there is none. */
  readonly next: MakeStep | null;
  readonly onStart: (minutes: number) => void;
  readonly onGo: (stepId: string) => void;
}): ReactNode {
  const [asked, setAsked] = useState(minutes);
  const left = timer ? timer.endsAt - now : 0;
  return (
    <Waiting>
      {timer === undefined ? (
        <>
          <PlainButton
            aria-label={`${MORE_MINUTES} minutes less`}
            isDisabled={asked <= MORE_MINUTES}
            onPress={() => setAsked(Math.max(1, asked - MORE_MINUTES))}
          >
            − {MORE_MINUTES}
          </PlainButton>
          <PlainButton className="big" onPress={() => onStart(asked)}>
            Start the timer, {asked} {plural(asked, 'minute')}
          </PlainButton>
          <PlainButton aria-label={`${MORE_MINUTES} minutes more`} onPress={() => setAsked(asked + MORE_MINUTES)}>
            + {MORE_MINUTES}
          </PlainButton>
        </>
      ) : (
        <>
          {left <= 0 ? (
            <b>Time is up.</b>
          ) : (
            <b className="timer" role="timer" aria-live="off">
              {sayLeft(left)}
            </b>
          )}
          <PlainButton onPress={() => onStart(Math.max(0, left) / 60_000 + MORE_MINUTES)}>
            {MORE_MINUTES} minutes more
          </PlainButton>
        </>
      )}
      {timer !== undefined && left > 0 && (
        <p className="meanwhile">
          {next ? (
            <>
              Meanwhile: <DoNow onPress={() => onGo(next.id)}>{next.title}</DoNow>
            </>
          ) : (
            'Nothing else of this run can be done meanwhile.'
          )}
        </p>
      )}
    </Waiting>
  );
}

const Waiting = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  b:not(.timer) {
    font-size: 26px;
  }
  button {
    min-height: 56px;
    font-size: 20px;
  }
  .meanwhile {
    flex-basis: 100%;
  }
`;
