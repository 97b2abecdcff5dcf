import { fixed } from '../../ground/length/rounding.ts';
import type { Mm } from '../../ground/length/types.ts';
import { isPlainRule } from '../../job/plainRule.ts';
import { habitOn } from '../../workshop/learnt/habits.ts';
import type { Board, Workshop } from '../../workshop/types.ts';

/** A fold lands as true as a bone folder finds its groove. Our starting value; measured folds replace it. */
export const USUAL_CREASE_MM: Mm = 0.3;

/**
 * What makes up for folds that lie too far from the stop, or too near it; null where none surely do. A groove cannot be
 * moved: a strip at the stop moves the card instead, and only away from it.
 * @param by who creases; anybody where nothing is said
 */
export function sayStop(board: Board, { spoilLog }: Pick<Workshop, 'spoilLog'>, by?: string): string | null {
  const { biasMm, correctionMm, readings } = habitOn(spoilLog, {
    ...{ on: 'boards', toolId: board.id, usualMm: USUAL_CREASE_MM },
    ...(by === undefined ? {} : { by }),
  });
  if (correctionMm === 0) return null;
  const found = `folds on ${board.name} lie ${fixed(Math.abs(biasMm), 1)} mm too ${biasMm > 0 ? 'far from' : 'near'} the stop, ${readings} measured`;
  if (isPlainRule(board))
    return `Mark ${fixed(Math.abs(correctionMm), 1)} mm ${correctionMm > 0 ? 'farther out' : 'nearer'}: ${found}.`;
  return biasMm > 0
    ? `Lay a strip ${fixed(biasMm, 1)} mm thick at the stop: ${found}.`
    : `A groove cannot be moved: ${found}. Where that is seen, mark the line and crease it by rule.`;
}
