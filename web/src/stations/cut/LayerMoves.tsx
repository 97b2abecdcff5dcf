import type { ReactNode } from 'react';
import styled from 'styled-components';
import { formatLength, sayPieceCuts, type CutMove, type CutPlan, type LengthUnit } from '@zippy/core';
import { More } from '../../slip/More.tsx';

/** Mats, panels and inserts cut from sheets of their own: a list for each. */
export function LayerMoves({
  cut: { layers, trimmer },
  unit,
}: {
  readonly cut: Pick<CutPlan, 'layers' | 'trimmer'>;
  readonly unit: LengthUnit;
}): ReactNode {
  return layers.map((layer) => {
    const { pieceId, name, stockName, moves, corners, machine, strokes } = layer;
    if (moves.length === 0 && corners.length === 0 && !machine) return null;
    const then = sayPieceCuts({ ...layer, moves: [] }, trimmer, unit, '');
    return (
      <More key={pieceId} label={machine ? `${name}: by machine` : `${name}: ${moves.length} cuts, ${strokes} strokes`}>
        <p>From {stockName}, on sheets of its own.</p>
        <Fence moves={moves} unit={unit} />
        {then.map((one) => (
          <p key={one}>{one}</p>
        ))}
      </More>
    );
  });
}

/** Settings of a fence, one below the other. */
export function Fence({ moves, unit }: { readonly moves: readonly CutMove[]; readonly unit: LengthUnit }): ReactNode {
  if (moves.length === 0) return null;
  return (
    <Moves>
      {moves.map((move) => (
        <li key={move.number}>
          <b>{formatLength(move.fenceMm, unit)}</b>
          <i>{move.turn}</i>
          <span>{move.text}</span>
        </li>
      ))}
    </Moves>
  );
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
