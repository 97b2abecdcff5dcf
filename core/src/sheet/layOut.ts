import type { Box, Sides } from '../geometry/types.ts';
import type { Mm, Nm } from '../length/types.ts';

/** One piece repeated on one sheet; `turned` is a quarter turn. */
export interface LayOutQuestion {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly marginsMm: Sides;
  /** The piece's trim, as drawn. */
  readonly pieceWidthMm: Mm;
  readonly pieceHeightMm: Mm;
  readonly bleedMm: Mm;
  /** Least distance between neighbouring trims. */
  readonly gutterMm: Mm;
  readonly mayLie: { readonly asDrawn: boolean; readonly turned: boolean };
}

export interface LaidPiece {
  readonly trim: Box;
  readonly turned: boolean;
}

export interface LayOut {
  readonly up: number;
  readonly pieces: readonly LaidPiece[];
  readonly columns: number;
  readonly rows: number;
}

const nm = (mm: Mm): Nm => Math.round(mm * 1e6);

/**
 * The best single block of equal rows and columns, centred in the printable area.
 * Printed area (trim and bleed) stays inside the margins; trims keep the gutter. Counting is in whole
 * nanometres, because 2 × 4 1/4 in must fit 8 1/2 in exactly.
 * One block is not always the most a sheet can hold; it is always separable edge to edge.
 */
export function layOutOnePiece(question: LayOutQuestion): LayOut {
  const tries = [
    ...(question.mayLie.asDrawn ? [block(question, false)] : []),
    ...(question.mayLie.turned ? [block(question, true)] : []),
  ];
  return tries.reduce((best, next) => (next.up > best.up ? next : best), { up: 0, pieces: [], columns: 0, rows: 0 });
}

function block(q: LayOutQuestion, turned: boolean): LayOut {
  const [width, height] = turned ? [q.pieceHeightMm, q.pieceWidthMm] : [q.pieceWidthMm, q.pieceHeightMm];
  const across = along(q.sheetWidthMm, q.marginsMm.left, q.marginsMm.right, width, q);
  const down = along(q.sheetHeightMm, q.marginsMm.top, q.marginsMm.bottom, height, q);
  const pieces = down.starts.flatMap((yNm) =>
    across.starts.map((xNm) => ({
      trim: { xMm: xNm / 1e6, yMm: yNm / 1e6, widthMm: width, heightMm: height },
      turned,
    })),
  );
  return { up: pieces.length, pieces, columns: across.starts.length, rows: down.starts.length };
}

/**
 * Trims along one side of the sheet. n pieces need n·w + (n−1)·gutter + 2·bleed between the margins.
 * The block sits in the middle of the sheet when both margins allow it, so that front and back fall on
 * each other; otherwise it is shifted just enough.
 */
function along(
  sheetMm: Mm,
  marginNearMm: Mm,
  marginFarMm: Mm,
  pieceMm: Mm,
  { bleedMm, gutterMm }: LayOutQuestion,
): { readonly starts: readonly Nm[] } {
  const [sheet, piece, bleed, gutter] = [nm(sheetMm), nm(pieceMm), nm(bleedMm), nm(gutterMm)];
  const near = nm(marginNearMm) + bleed;
  const far = sheet - nm(marginFarMm) - bleed;
  const n = Math.max(0, Math.floor((far - near + gutter) / (piece + gutter)));
  if (n === 0) return { starts: [] };
  const extent = n * piece + (n - 1) * gutter;
  const middle = Math.round((sheet - extent) / 2);
  const start = Math.min(Math.max(middle, near), far - extent);
  return { starts: Array.from({ length: n }, (_, i) => start + i * (piece + gutter)) };
}
