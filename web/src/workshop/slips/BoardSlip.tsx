import type { ReactNode } from 'react';
import { isPlainRule, USUAL_CREASE_MM, WORKSHOP_LIMITS, type Board, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { HabitPanel } from '../habits/HabitPanel.tsx';
import { ThingSlip } from './ThingSlip.tsx';

/** A scoring board with its own spacing of grooves; a plain rule is one with very fine ones. */
export function BoardSlip({
  thing: board,
  workshop,
}: {
  readonly thing: Board;
  readonly workshop: Workshop;
}): ReactNode {
  const { unit } = workshop;
  const set = (part: Partial<Board>): void => useWorkshop.getState().alter('boards', board.id, part);
  return (
    <ThingSlip shelf="boards" thing={board} workshop={workshop}>
      <div className="two">
        <LengthField
          label="A groove every"
          mm={board.grooveEveryMm}
          unit={unit}
          {...WORKSHOP_LIMITS.board.grooveEveryMm}
          onCommit={(grooveEveryMm) => set({ grooveEveryMm })}
          hint={isPlainRule(board) ? 'As fine as this it is a plain rule.' : undefined}
        />
        <LengthField
          label="Length"
          mm={board.longestMm}
          unit={unit}
          {...WORKSHOP_LIMITS.board.longestMm}
          onCommit={(longestMm) => set({ longestMm })}
        />
      </div>
      <HabitPanel on="boards" toolId={board.id} usualMm={USUAL_CREASE_MM} workshop={workshop} />
    </ThingSlip>
  );
}
