import type { ReactNode } from 'react';
import { CAUTIONS, type CutMove, type MixedPattern, type SharedPiece, type Trimmer } from '@zippy/core';
import { More } from '../slip/More.tsx';
import { Caution, StepList } from '../stations/Stepper.tsx';
import { useView } from '../stores/view/index.ts';

/** One sheet cut apart, move by move, and what is left to do to its pieces. */
export function CutApart({
  pattern,
  number,
  moves,
  chosen,
  trimmer,
}: {
  readonly pattern: MixedPattern;
  readonly number: number;
  readonly moves: readonly CutMove[];
  readonly chosen: readonly SharedPiece[];
  readonly trimmer: Trimmer;
}): ReactNode {
  const { step } = useView();
  return (
    <More label={`Cut sheet ${number} apart, ${moves.length} moves`}>
      <Caution role="note">{CAUTIONS[trimmer.kind]}</Caution>
      <StepList aria-label="Cutting moves">
        {moves.map((move, i) => (
          <li key={move.number}>
            <button
              type="button"
              aria-current={useView.getState().onSheet && i === step ? 'step' : undefined}
              onClick={() => {
                const { goToStep, showOnSheet } = useView.getState();
                showOnSheet(true);
                goToStep(i);
              }}
            >
              <span className="n">{move.number}</span>
              <span className="turn">{move.turn}</span>
              <span className="text">{move.text}</span>
            </button>
          </li>
        ))}
      </StepList>
      {chosen
        .filter(({ id, after }) => after?.length && pattern.placements.some((p) => p.id === id))
        .map(({ id, name, after }) => (
          <p key={id}>
            <b>{name}:</b> {after!.join(' ')}
          </p>
        ))}
    </More>
  );
}
