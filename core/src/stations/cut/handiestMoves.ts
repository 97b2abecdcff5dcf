import { TOLERANCE_MM, type Box } from '../../ground/geometry/types.ts';
import type { Stock, Trimmer } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { LayOut } from '../sheet/layout/layOut.ts';
import { draftMoves, type DraftMove, type Pitch } from './draftMoves.ts';

/**
 * The moves that free every cell, in the order of axes that leaves fewer strips to handle, among those whose longest cut
 * fits the tool; in any order where none does.
 */
export function handiestMoves(
  layOut: Pick<LayOut, 'tree' | 'origin'>,
  page: Box,
  pitch: Pitch,
  trimmer: Trimmer,
): readonly DraftMove[] {
  const orders = (['across', 'down'] as const).map((axis) => draftMoves(layOut, page, pitch, axis));
  const usable = orders.filter((moves) => longestCutMm(moves) <= trimmer.longestCutMm + TOLERANCE_MM);
  const passes = (moves: readonly DraftMove[]): number => moves.reduce((n, m) => n + m.piecesPerSheet, 0);
  return (usable.length > 0 ? usable : orders).reduce((a, b) => (passes(b) < passes(a) ? b : a));
}

/** Of any one piece: strips at one setting go to the blade one by one, however far apart they lie on the sheet. */
export const longestCutMm = (moves: readonly DraftMove[]): Mm =>
  Math.max(
    0,
    ...moves.flatMap(({ atFence, beyond }) =>
      beyond.map((box) => (atFence === 'left' || atFence === 'right' ? box.heightMm : box.widthMm)),
    ),
  );

/** In whole nanometres, since 0.3 mm of 100 µm card is three sheets and not two. */
export const sheetsAtOnce = (trimmer: Trimmer, stock: Stock): number =>
  Math.max(1, Math.floor(Math.round(trimmer.thickestStackMm * 1e6) / Math.round(stock.caliperMicron * 1e3)));

/** Strokes of one move for a run: every piece that goes through it, as many at once as the tool takes. */
export const strokesOf = (move: DraftMove, sheets: number, atOnce: number): number =>
  Math.ceil((sheets * move.piecesPerSheet) / atOnce);
