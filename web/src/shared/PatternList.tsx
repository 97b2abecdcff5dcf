import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Button } from 'react-aria-components';
import { plural, type MixedPattern, type SharedPiece, type Workshop } from '@zippy/core';

/** Every layout of the plan: how many sheets of it, and what lies on one. */
export function PatternList({
  patterns,
  pieces,
  workshop,
  shown,
  onShow,
}: {
  readonly patterns: readonly MixedPattern[];
  readonly pieces: readonly SharedPiece[];
  readonly workshop: Workshop;
  readonly shown: number;
  readonly onShow: (i: number) => void;
}): ReactNode {
  return (
    <List aria-label="Layouts">
      {patterns.map((pattern, i) => (
        <li key={i}>
          <Button aria-current={i === shown ? 'true' : undefined} onPress={() => onShow(i)}>
            <b>{pattern.times}×</b>
            <span>
              {contents(pattern, pieces)}
              <small>
                {pattern.times} {plural(pattern.times, 'sheet')} of{' '}
                {workshop.stocks.find(({ id }) => id === pattern.sheetId)?.name}
              </small>
            </span>
          </Button>
        </li>
      ))}
    </List>
  );
}

function contents(pattern: MixedPattern, pieces: readonly SharedPiece[]): string {
  const counts = new Map<string, number>();
  for (const { id } of pattern.placements) counts.set(id, (counts.get(id) ?? 0) + 1);
  return [...counts].map(([id, n]) => `${n} ${pieces.find((piece) => piece.id === id)?.name}`).join(', ');
}

const List = styled.ol`
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
  button {
    display: grid;
    grid-template-columns: 52px 1fr;
    align-items: start;
    width: 100%;
    padding: 8px 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 5px;
    background: ${({ theme }) => theme.colour.white};
    font-size: 14px;
    line-height: 1.3;
    text-align: left;
    cursor: pointer;
  }
  button[aria-current] {
    border-color: ${({ theme }) => theme.colour.marigoldDeep};
    background: ${({ theme }) => theme.colour.marigoldWash};
  }
  b {
    font: 700 20px/1.1 ${({ theme }) => theme.font.mono};
  }
  small {
    display: block;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
`;
