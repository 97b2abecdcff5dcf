import type { LayerPiece } from '../../size/layers.ts';
import { SCORE_FROM_GSM } from '../../stock/pressure.ts';
import type { LayOutQuestion } from './layOut.ts';
import { fibresUpright } from './question.ts';

/** Whether most of a part’s hinges run upright as it is drawn; null where it has none, or is of paper that folds either way. */
export function hingesUpright({ kind, blank, stock }: Pick<LayerPiece, 'kind' | 'blank' | 'stock'>): boolean | null {
  if (kind !== 'popUp' || stock.gsm < SCORE_FROM_GSM || blank.creases.length === 0) return null;
  // How long creases are one way and the other, each by its share of both.
  const long = (way: 'xMm' | 'yMm'): number =>
    blank.creases.reduce((sum, { from, to }) => sum + Math.abs(to[way] - from[way]), 0);
  return long('yMm') >= long('xMm');
}

/**
 * Ways to lay a part that is hinged to and fro so that the fibres run along most of its creases; null where it has none, or
 * is of paper that folds either way.
 */
export function alongHinges(piece: Pick<LayerPiece, 'kind' | 'blank' | 'stock'>): LayOutQuestion['mayLie'] | null {
  const wantsUpright = hingesUpright(piece);
  if (wantsUpright === null) return null;
  const { stock } = piece;
  return {
    asDrawn: fibresUpright(stock, false) === wantsUpright,
    turned: fibresUpright(stock, true) === wantsUpright,
  };
}

/** A sheet that a piece lies on with its fibres across its hinges, for want of room the other way. */
export const hingesAcross = (
  piece: Pick<LayerPiece, 'kind' | 'blank' | 'stock'>,
  laid: readonly { readonly turned: boolean }[],
): boolean => {
  const along = alongHinges(piece);
  return along !== null && laid.some(({ turned }) => !(turned ? along.turned : along.asDrawn));
};
