import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Snag } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { PlainButton } from '../ui/buttons.tsx';

const NICK = { stop: '✕', warn: '!', note: '·' } as const;
const WORD = { stop: 'Stops the job', warn: 'Look at this', note: 'Worth knowing' } as const;

export function Snags({ snags }: { readonly snags: readonly Snag[] }): ReactNode {
  const change = useJob((s) => s.change);
  if (snags.length === 0) return null;
  return (
    <SnagList aria-label="Snags">
      {snags.map((snag) => (
        <li key={snag.id} className={snag.level}>
          <strong>
            <span className="nick" aria-hidden>
              {NICK[snag.level]}
            </span>
            <span className="hidden">{WORD[snag.level]}: </span>
            {snag.title}
          </strong>
          <p>{snag.why}</p>
          {snag.remedies.length > 0 && (
            <div className="remedies">
              {snag.remedies.map((remedy) => (
                <PlainButton key={remedy.label} onPress={() => change(remedy.changes)}>
                  {remedy.label}
                </PlainButton>
              ))}
            </div>
          )}
        </li>
      ))}
    </SnagList>
  );
}

const SnagList = styled.ul`
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 10px 12px;
    border: 1px solid;
    border-left-width: 5px;
    border-radius: 4px;
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
  strong {
    display: block;
    line-height: 1.3;
  }
  .nick {
    display: inline-grid;
    place-items: center;
    width: 18px;
    height: 18px;
    margin-right: 7px;
    border-radius: 3px;
    background: ${({ theme }) => theme.colour.ink};
    color: ${({ theme }) => theme.colour.white};
    font-size: 12px;
    line-height: 1;
  }
  p {
    margin-top: 3px;
    font-size: 15px;
  }
  .remedies {
    display: grid;
    gap: 6px;
    margin-top: 8px;
  }
  .remedies button {
    justify-content: flex-start;
    min-height: 34px;
    text-align: left;
    line-height: 1.25;
    font-size: 15px;
  }
  .hidden {
    position: absolute;
    clip-path: inset(50%);
  }
`;
