import { useEffect, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { MakeStep, Timer } from '@zippy/core';
import { PlainButton } from '../ui/buttons.tsx';

const TICK_MS = 500;
const SECOND_MS = 1000;
const MINUTE_MS = 60_000;

/** The server’s time, as near as this device knows it, while there is something to count. */
export function useServerNow(on: boolean, aheadMs: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!on) return;
    setNow(Date.now());
    const timer = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [on]);
  return now - aheadMs;
}

export const sayLeft = (leftMs: number): string => {
  const seconds = Math.max(0, Math.ceil(leftMs / SECOND_MS));
  const [minutes, rest] = [Math.floor(seconds / 60), String(seconds % 60).padStart(2, '0')];
  return minutes < 60 ? `${minutes}:${rest}` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
};

/** Everything that dries or sets, wherever in the run the maker is just now; a sound as each ends. */
export function Timers({
  timers,
  steps,
  now,
  onEnd,
  onGo,
  onStop,
  onDone,
}: {
  readonly timers: readonly Timer[];
  readonly steps: readonly MakeStep[];
  readonly now: number;
  readonly onEnd: () => void;
  readonly onGo: (stepId: string) => void;
  readonly onStop: (timer: Timer) => void;
  readonly onDone: (stepId: string) => void;
}): ReactNode {
  const up = timers.filter(({ endsAt }) => endsAt <= now);
  const rung = useRef(new Set<string>());
  const over = up.map(({ id }) => id).join();
  useEffect(() => {
    const fresh = over.split(',').filter((id) => id !== '' && !rung.current.has(id));
    if (fresh.length === 0) return;
    for (const id of fresh) rung.current.add(id);
    onEnd();
  }, [over, onEnd]);
  if (timers.length === 0) return null;
  return (
    <Strip aria-label="Timers">
      {timers.map((timer) => {
        const title = steps.find(({ id }) => id === timer.stepId)?.title ?? 'Timer';
        const left = timer.endsAt - now;
        const isUp = left <= 0;
        return (
          <li key={timer.id} className={isUp ? 'up' : ''}>
            <Ring share={Math.min(1, Math.max(0, left / (timer.minutes * MINUTE_MS)))} />
            <span>{title}</span>
            <b role="timer" aria-live="off" data-said={isUp || undefined}>
              {isUp ? 'Time is up' : sayLeft(left)}
            </b>
            {timer.stepId !== null && (
              <PlainButton onPress={() => (isUp ? onDone(timer.stepId!) : onGo(timer.stepId!))}>
                {isUp ? 'It is dry' : 'Show'}
              </PlainButton>
            )}
            <PlainButton onPress={() => onStop(timer)} aria-label={`Stop the timer of ${title}`}>
              Stop
            </PlainButton>
          </li>
        );
      })}
      <li className="said" role="alert">
        {up.length > 0 ? 'Time is up: touch a corner before you stack.' : ''}
      </li>
    </Strip>
  );
}

const RADIUS = 13;
const ROUND = 2 * Math.PI * RADIUS;

/** What is left, as a ring that empties. */
function Ring({ share }: { readonly share: number }): ReactNode {
  return (
    <svg viewBox="-16 -16 32 32" aria-hidden="true">
      <circle r={RADIUS} className="all" />
      <circle
        r={RADIUS}
        className="left"
        strokeDasharray={`${share * ROUND} ${ROUND}`}
        transform="rotate(-90) scale(1 -1)"
      />
    </svg>
  );
}

const Strip = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 0;
  padding: 8px 18px;
  list-style: none;
  background: ${({ theme }) => theme.colour.linenDeep};
  li {
    display: flex;
    gap: 10px;
    align-items: center;
    padding: 4px 6px 4px 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.paper};
    font-size: 18px;
  }
  li.up {
    border-color: ${({ theme }) => theme.colour.marigoldDeep};
    background: ${({ theme }) => theme.colour.marigold};
  }
  li.said {
    border: 0;
    background: none;
  }
  li.said:empty {
    display: none;
  }
  b {
    font: 700 24px/1 ${({ theme }) => theme.font.mono};
  }
  b[data-said] {
    font-family: ${({ theme }) => theme.font.text};
    font-size: 19px;
  }
  svg {
    width: 32px;
    height: 32px;
  }
  circle {
    fill: none;
    stroke-width: 5;
    stroke: ${({ theme }) => theme.colour.rule};
  }
  circle.left {
    stroke: ${({ theme }) => theme.colour.teal};
  }
`;
