import { Plus, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { SHARED_LIMITS, type OwnPiece, type Workshop } from '@zippy/core';
import { OnOff } from '../ui/OnOff.tsx';
import { Pick } from '../ui/Pick.tsx';
import { useNotice } from '../stores/notice.ts';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { FieldPlace } from '../ui/fields/TypedField.tsx';
import { WordsField } from '../ui/fields/WordsField.tsx';
import { PlainButton } from '../ui/buttons.tsx';

/** Tags, liners and whatever else is cut beside the cards: a name, a size, how many, and of what. */
export function OwnPieces({
  own,
  workshop,
  onChange,
}: {
  readonly own: readonly OwnPiece[];
  readonly workshop: Workshop;
  readonly onChange: (own: readonly OwnPiece[]) => void;
}): ReactNode {
  const change = (id: string, part: Partial<OwnPiece>): void =>
    onChange(own.map((piece) => (piece.id === id ? { ...piece, ...part } : piece)));
  const stocks = workshop.stocks.map(({ id, name }) => ({ id, name }));
  return (
    <>
      <List aria-label="Pieces of your own">
        {own.map((piece) => (
          <li key={piece.id}>
            <FieldPlace value={piece.id}>
              <WordsField label="What it is" value={piece.name} onChange={(name) => change(piece.id, { name })} />
              <div className="row">
                <LengthField
                  label="Width"
                  mm={piece.widthMm}
                  unit={workshop.unit}
                  {...SHARED_LIMITS.own.sideMm}
                  onCommit={(widthMm) => change(piece.id, { widthMm })}
                />
                <LengthField
                  label="Height"
                  mm={piece.heightMm}
                  unit={workshop.unit}
                  {...SHARED_LIMITS.own.sideMm}
                  onCommit={(heightMm) => change(piece.id, { heightMm })}
                />
                <NumberField
                  label="How many"
                  value={piece.wanted}
                  {...SHARED_LIMITS.own.wanted}
                  onCommit={(wanted) => change(piece.id, { wanted })}
                />
              </div>
              <Pick
                label="Its paper"
                value={piece.stockId}
                onChange={(stockId) => change(piece.id, { stockId })}
                sections={[{ heading: null, options: stocks }]}
              />
              <div className="row last">
                <OnOff
                  label="May lie across the grain"
                  value={piece.mayTurn}
                  onChange={(mayTurn) => change(piece.id, { mayTurn })}
                />
                <PlainButton
                  aria-label={`Remove ${piece.name}`}
                  onPress={() => {
                    onChange(own.filter(({ id }) => id !== piece.id));
                    useNotice.getState().say(`${piece.name} is taken off.`, () => onChange(own));
                  }}
                >
                  <Trash2 size={16} aria-hidden />
                </PlainButton>
              </div>
            </FieldPlace>
          </li>
        ))}
      </List>
      <PlainButton
        onPress={() =>
          onChange([
            ...own,
            {
              id: crypto.randomUUID(),
              name: own.length === 0 ? 'Tag' : `Tag ${own.length + 1}`,
              widthMm: 50,
              heightMm: 90,
              wanted: 12,
              stockId: own.at(-1)?.stockId ?? workshop.stocks[0]!.id,
              mayTurn: true,
            },
          ])
        }
      >
        <Plus size={16} aria-hidden /> A piece of your own: a tag, a liner …
      </PlainButton>
    </>
  );
}

const List = styled.ul`
  display: grid;
  gap: 14px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    gap: 8px;
    padding-left: 10px;
    border-left: 3px solid ${({ theme }) => theme.colour.rule};
  }
  .row {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 8px;
  }
  .row.last {
    grid-template-columns: 1fr auto;
    align-items: center;
  }
`;
