import { boxAround } from '../../../ground/geometry/box.ts';
import { contains } from '../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { ShutPiece } from './bodies.ts';

const EVERY_MM = 2;

/** Where most lies on each other in the shut card, and how much. */
export interface Bulk {
  readonly mm: Mm;
  readonly sheets: number;
  readonly xMm: Mm;
  readonly yMm: Mm;
}

/**
 * Counts sheets place by place, every two millimetres.
 * @param caliperMm of a part’s stock
 */
export function bulkOf(pieces: readonly ShutPiece[], caliperMm: (partId: string) => Mm): Bulk {
  const boxed = pieces.map((piece) => {
    const { xMm, yMm, widthMm, heightMm } = boxAround(piece.outline);
    return {
      ...{ ...piece, left: xMm, top: yMm, right: xMm + widthMm, bottom: yMm + heightMm },
      mm: piece.sheets * caliperMm(piece.partId),
    };
  });
  let most: Bulk = { mm: 0, sheets: 0, xMm: 0, yMm: 0 };
  if (boxed.length === 0) return most;
  const all = boxAround(boxed.flatMap(({ outline }) => outline));
  const steps = (mm: Mm): number => Math.max(1, Math.ceil(mm / EVERY_MM));
  const [columns, rows] = [steps(all.widthMm), steps(all.heightMm)];
  for (let row = 0; row < rows; row += 1) {
    const yMm = all.yMm + (all.heightMm * (row + 0.5)) / rows;
    const crossing = boxed.filter(({ top, bottom }) => top < yMm && yMm < bottom);
    for (let column = 0; column < columns; column += 1) {
      const xMm = all.xMm + (all.widthMm * (column + 0.5)) / columns;
      const here = crossing.filter(
        ({ left, right, outline }) => left < xMm && xMm < right && contains(outline, { xMm, yMm }),
      );
      const mm = here.reduce((sum, piece) => sum + piece.mm, 0);
      if (mm > most.mm) most = { mm, sheets: here.reduce((sum, { sheets }) => sum + sheets, 0), xMm, yMm };
    }
  }
  return most;
}
