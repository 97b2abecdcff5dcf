import type { ReactNode } from 'react';
import styled from 'styled-components';
import { formatLength, type CutPlan, type LengthUnit } from '@zippy/core';
import { More } from '../../slip/More.tsx';

/** Mats, panels and inserts cut from sheets of their own: a list for each. */
export function LayerMoves({
  layers,
  unit,
}: {
  readonly layers: CutPlan['layers'];
  readonly unit: LengthUnit;
}): ReactNode {
  return layers
    .filter(({ moves }) => moves.length > 0)
    .map(({ pieceId, name, stockName, moves, strokes }) => (
      <More key={pieceId} label={`${name}: ${moves.length} cuts, ${strokes} strokes`}>
        <p>From {stockName}, on sheets of its own.</p>
        <Moves>
          {moves.map((move) => (
            <li key={move.number}>
              <b>{formatLength(move.fenceMm, unit)}</b>
              <i>{move.turn}</i>
              <span>{move.text}</span>
            </li>
          ))}
        </Moves>
      </More>
    ));
}

const Moves = styled.ol`
  display: grid;
  gap: 8px;
  margin: 0;
  padding-left: 28px;
  b {
    font: 700 18px/1.3 ${({ theme }) => theme.font.mono};
  }
  i {
    margin-left: 8px;
    color: ${({ theme }) => theme.colour.plum};
    font-style: normal;
  }
  span {
    display: block;
    font-size: 14px;
    line-height: 1.35;
  }
`;
