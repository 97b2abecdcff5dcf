import type { ReactNode } from 'react';
import { WORKSHOP_LIMITS, formatLength, type Board, type Workshop, isPlainRule } from '@zippy/core';
import { useWorkshop } from '../stores/workshop.ts';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { PlainButton } from '../ui/buttons.tsx';
import { Two } from '../ui/ModalDialog.tsx';
import { Name, Thing } from './Thing.tsx';

/** Where a new board starts: a groove every eighth of an inch on a foot of board. */
const NEW_BOARD = { name: 'New board', grooveEveryMm: 3.175, longestMm: 304.8 } as const;

/** Scoring boards, each with its own spacing of grooves; a plain rule is a board with very fine ones. */
export function Boards({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const change = useWorkshop((s) => s.change);
  const { unit } = workshop;
  const setBoard = (id: string, part: Partial<Board>): void =>
    void change({ ...workshop, boards: workshop.boards.map((b) => (b.id === id ? { ...b, ...part } : b)) });
  const addBoard = (): void =>
    void change({
      ...workshop,
      boards: [...workshop.boards, { id: crypto.randomUUID().slice(0, 8), ...NEW_BOARD }],
    });
  return (
    <section aria-labelledby="boards">
      <header>
        <h2 id="boards">Scoring boards</h2>
        <PlainButton onPress={addBoard}>Add a board</PlainButton>
      </header>
      <div className="cards">
        {workshop.boards.map((board) => (
          <Thing
            key={board.id}
            id={board.id}
            title={board.name}
            facts={`${isPlainRule(board) ? 'a plain rule' : `a groove every ${formatLength(board.grooveEveryMm, unit)}`} · ${formatLength(board.longestMm, unit)} long`}
          >
            <Name value={board.name} onCommit={(name) => setBoard(board.id, { name })} />
            <Two>
              <LengthField
                label="A groove every"
                mm={board.grooveEveryMm}
                unit={unit}
                {...WORKSHOP_LIMITS.board.grooveEveryMm}
                onCommit={(grooveEveryMm) => setBoard(board.id, { grooveEveryMm })}
              />
              <LengthField
                label="Length"
                mm={board.longestMm}
                unit={unit}
                {...WORKSHOP_LIMITS.board.longestMm}
                onCommit={(longestMm) => setBoard(board.id, { longestMm })}
              />
            </Two>
          </Thing>
        ))}
      </div>
    </section>
  );
}
