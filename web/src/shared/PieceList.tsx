import type { ReactNode } from 'react';
import styled from 'styled-components';
import { SHARED_LIMITS, formatSize, type SharedPiece, type Workshop } from '@zippy/core';
import { OnOff } from '../ui/OnOff.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';

/** What could share a sheet: tick it, and say how many. */
export function PieceList({
  pieces,
  counts,
  workshop,
  onChange,
}: {
  readonly pieces: readonly SharedPiece[];
  /** Wanted of each that is ticked. */
  readonly counts: Readonly<Record<string, number>>;
  readonly workshop: Workshop;
  readonly onChange: (id: string, wanted: number | null) => void;
}): ReactNode {
  return (
    <List aria-label="Pieces">
      {pieces.map((piece) => {
        const wanted = counts[piece.id];
        const stock = workshop.stocks.find((s) => s.id === piece.stockId);
        return (
          <li key={piece.id}>
            <OnOff
              label={piece.name}
              value={wanted !== undefined}
              onChange={(on) => onChange(piece.id, on ? piece.wanted : null)}
            />
            <small>
              {formatSize(piece.widthMm, piece.heightMm, workshop.unit)}
              {stock ? ` · ${stock.gsm} gsm ${stock.colourName.toLowerCase()}` : ''}
            </small>
            {wanted !== undefined && (
              <NumberField
                label={`How many of ${piece.name}`}
                value={wanted}
                {...SHARED_LIMITS.own.wanted}
                onCommit={(n) => onChange(piece.id, n)}
              />
            )}
          </li>
        );
      })}
    </List>
  );
}

const List = styled.ul`
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    gap: 3px;
    padding-bottom: 8px;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  small {
    padding-left: 51px;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;
