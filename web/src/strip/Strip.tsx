import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-aria-components';
import styled from 'styled-components';
import { STATION_NAMES, STATIONS, type Job, type JobBench, type Plan, type Station } from '@zippy/core';
import { LEVELS, SIGNS } from '../slip/levels.ts';
import { isKnown, useKnown } from '../stores/known.ts';
import { Thumb } from './Thumb.tsx';

/** Ten drawings at every keystroke would hold up the typing. */
const CALM_MS = 250;

/** The value once it has been left alone for a moment; the first one at once. */
function useCalm<T>(value: T, ms: number): T {
  const [calm, setCalm] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setCalm(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return calm;
}

/** The job as a folded strip of paper: ten panels, the open one wider and flat. */
export function Strip({
  jobId,
  job,
  plan,
  bench,
  station,
}: {
  readonly jobId: string;
  readonly job: Job;
  readonly plan: Plan;
  readonly bench: JobBench | null;
  readonly station: Station;
}): ReactNode {
  // Thumbnails may lag a moment behind typing; the bench may not.
  const calm = useCalm(plan, CALM_MS);
  const known = useKnown((s) => s.known);
  return (
    <Paper aria-label="Stations">
      {STATIONS.map((name, i) => {
        const { snags: all, telling } = plan[name];
        const snags = all.filter((snag) => !isKnown(known, jobId, snag));
        const level = LEVELS.find((l) => snags.some((snag) => snag.level === l));
        const count = snags.filter((snag) => snag.level === level).length;
        return (
          <Panel
            key={name}
            href={`/jobs/${jobId}/${name}`}
            className={`${i % 2 === 0 ? 'rise' : 'fall'} ${name === station ? 'open' : ''}`}
            aria-current={name === station ? 'page' : undefined}
            aria-label={`${STATION_NAMES[name]}: ${telling}${level ? `, ${count} ${level === 'stop' ? 'stopping' : level === 'warn' ? 'warning' : 'noted'}` : ''}`}
          >
            <span className="top">
              <span className="key">{(i + 1) % 10}</span>
              {STATION_NAMES[name]}
              {level && (
                <span className={`nick ${level}`} aria-hidden>
                  {SIGNS[level]}
                </span>
              )}
            </span>
            <span className="thumb">
              <Thumb station={name} plan={calm} job={job} bench={bench} />
            </span>
            <span className="telling">{telling}</span>
          </Panel>
        );
      })}
    </Paper>
  );
}

const Paper = styled.nav`
  display: flex;
  height: ${({ theme }) => theme.size.stripPx}px;
  padding: 0 10px 12px;
  overflow-x: auto;
  background: ${({ theme }) => theme.colour.linen};
  filter: drop-shadow(0 3px 4px rgb(29 41 48 / 0.22));
`;

/** Folds are sheared up and down by turns, so that the whole reads as one strip of accordion paper. */
const FOLD_PX = 7;

const Panel = styled(Link)`
  position: relative;
  flex: 1 1 0;
  display: grid;
  grid-template-rows: auto 1fr auto;
  gap: 2px;
  min-width: 84px;
  padding: 13px 8px 11px;
  color: ${({ theme }) => theme.colour.ink};
  text-decoration: none;
  cursor: pointer;
  &.rise {
    clip-path: polygon(0 ${FOLD_PX}px, 100% 0, 100% calc(100% - ${FOLD_PX}px), 0 100%);
    background: linear-gradient(90deg, ${({ theme }) => theme.colour.paper}, ${({ theme }) => theme.colour.panelLit});
  }
  &.fall {
    clip-path: polygon(0 0, 100% ${FOLD_PX}px, 100% 100%, 0 calc(100% - ${FOLD_PX}px));
    background: linear-gradient(
      90deg,
      ${({ theme }) => theme.colour.panelShade},
      ${({ theme }) => theme.colour.panelShadeLit}
    );
  }
  &.open {
    flex-grow: 1.9;
    background: ${({ theme }) => theme.colour.paper};
  }
  &.open::after {
    content: '';
    position: absolute;
    inset: auto 0 0;
    height: 11px;
    background: ${({ theme }) => theme.colour.marigold};
  }
  &[data-hovered] .top {
    text-decoration: underline;
  }
  &[data-focus-visible] {
    outline-offset: -6px;
  }
  .top {
    display: flex;
    align-items: center;
    gap: 5px;
    font-size: 14px;
    font-weight: 700;
    white-space: nowrap;
  }
  .key {
    font: 400 11px/1 ${({ theme }) => theme.font.mono};
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  .nick {
    display: grid;
    place-items: center;
    width: 17px;
    height: 17px;
    margin-left: auto;
    border-radius: 2px;
    color: ${({ theme }) => theme.colour.white};
    font-size: 12px;
    line-height: 1;
  }
  .nick.stop {
    background: ${({ theme }) => theme.colour.coral};
  }
  .nick.warn {
    background: ${({ theme }) => theme.colour.ochre};
  }
  .nick.note {
    background: ${({ theme }) => theme.colour.teal};
  }
  .thumb {
    display: grid;
    min-height: 0;
    place-items: center;
  }
  .thumb svg {
    width: 100%;
    height: 100%;
    max-width: 120px;
  }
  .telling {
    overflow: hidden;
    font-size: 13px;
    line-height: 1.2;
    text-align: center;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  @media (max-width: 900px) {
    min-width: 0;
    padding-left: 5px;
    padding-right: 5px;
    .key {
      display: none;
    }
    &:not(.open) .telling {
      display: none;
    }
    /* Beside a long name there is no room for it; in the corner there is. */
    .nick {
      position: absolute;
      right: 4px;
      bottom: 15px;
    }
  }
  &.open .telling {
    margin-bottom: 5px;
    font-size: 14px;
  }
`;
