import { useState, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import styled from 'styled-components';
import type { Snag } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { isKnown, useKnown } from '../stores/known.ts';
import { LEVELS } from './levels.ts';
import { SnagRow } from './SnagRow.tsx';

/** What is wrong, at the foot of the slip: seen however far its decisions are scrolled, and never in their place. */
export function Snags({ snags }: { readonly snags: readonly Snag[] }): ReactNode {
  const jobId = useJob((s) => s.id) ?? '';
  const { known, waveOff, heed } = useKnown();
  const [knownShown, setKnownShown] = useState(false);
  if (snags.length === 0) return null;
  const quiet = snags.filter((snag) => isKnown(known, jobId, snag));
  const loud = LEVELS.flatMap((level) => snags.filter((snag) => snag.level === level && !quiet.includes(snag)));
  return (
    <Tray>
      <ul aria-label="Snags">
        {loud.map((snag) => (
          <SnagRow
            // One that comes to stop the job is another, and stands open.
            key={`${snag.id} ${snag.level}`}
            snag={snag}
            known={false}
            {...(snag.level === 'stop' ? {} : { onKnown: () => waveOff(jobId, snag) })}
          />
        ))}
        {knownShown &&
          quiet.map((snag) => <SnagRow key={snag.id} snag={snag} known onKnown={() => heed(jobId, snag)} />)}
      </ul>
      {quiet.length > 0 && (
        <Button className="quiet" aria-expanded={knownShown} onPress={() => setKnownShown(!knownShown)}>
          {knownShown ? '▾' : '▸'} {quiet.length} that you know of
        </Button>
      )}
    </Tray>
  );
}

const Tray = styled.div`
  position: relative;
  flex: none;
  max-height: 46%;
  overflow: auto;
  border-top: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: 0 -6px 14px rgb(29 41 48 / 0.08);
  @media (max-width: 900px) {
    position: sticky;
    bottom: 0;
    max-height: 40vh;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 8px;
    padding: 5px 20px 5px 15px;
    border-left: 5px solid;
  }
  li + li {
    box-shadow: inset 0 1px 0 ${({ theme }) => theme.colour.rule};
  }
  li.open {
    padding-bottom: 12px;
  }
  li.stop {
    border-color: ${({ theme }) => theme.colour.coral};
    background: ${({ theme }) => theme.colour.coralWash};
  }
  li.warn {
    border-color: ${({ theme }) => theme.colour.ochre};
    background: ${({ theme }) => theme.colour.ochreWash};
  }
  li.note {
    border-color: ${({ theme }) => theme.colour.teal};
    background: ${({ theme }) => theme.colour.tealWash};
  }
  .what {
    flex: 1 1 auto;
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 30px;
    padding: 2px 0;
    border: 0;
    background: none;
    text-align: left;
    line-height: 1.25;
    cursor: pointer;
  }
  .what strong {
    font-size: 15px;
  }
  .turn {
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  .nick {
    flex: none;
    display: inline-grid;
    place-items: center;
    width: 18px;
    height: 18px;
    border-radius: 3px;
    background: ${({ theme }) => theme.colour.ink};
    color: ${({ theme }) => theme.colour.white};
    font-size: 12px;
    line-height: 1;
  }
  p {
    flex: 1 1 100%;
    font-size: 15px;
  }
  .remedy {
    justify-content: flex-start;
    min-height: 30px;
    padding: 3px 10px;
    text-align: left;
    line-height: 1.2;
    font-size: 14px;
  }
  li.open .remedy {
    flex: 1 1 100%;
    min-height: 34px;
    font-size: 15px;
  }
  .known,
  .quiet {
    padding: 4px 0;
    border: 0;
    background: none;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
    text-decoration: underline;
    cursor: pointer;
  }
  .quiet {
    padding: 8px 20px;
    text-decoration: none;
  }
  .hidden {
    position: absolute;
    clip-path: inset(50%);
  }
`;
