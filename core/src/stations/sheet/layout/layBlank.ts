import type { Point, Sides } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { MachineFacts } from '../../../workshop/types.ts';
import { insideMargins, type FromEdges } from './edges.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from './layOut.ts';
import { clearOf, looksForMarks, marginsWith, markPlaces, roomsFor } from './machineMarks.ts';

/** Copies of a blank that is no card on one sheet of its stock. */
export interface LaidBlank {
  readonly laid: LayOut;
  /** Three for a machine that cuts what is printed; none where no blank lies clear of them, or nothing is printed. */
  readonly machineMarks: readonly Point[];
}

export interface BlankQuestion {
  readonly sheet: { readonly widthMm: Mm; readonly heightMm: Mm };
  readonly blank: { readonly widthMm: Mm; readonly heightMm: Mm };
  readonly bleedMm: Mm;
  /** Where ink may not come, or what bare blanks keep off the edges. */
  readonly marginsMm: Sides;
  readonly isPrinted: boolean;
  readonly mayLie: LayOutQuestion['mayLie'];
}

/**
 * The most blanks that edge-to-edge cuts free from a sheet; for a machine, within its reach and clear of its marks. One
 * that finds no marks does not cut what is printed: such blanks lie as without it.
 */
export function layBlank(
  { sheet, blank, bleedMm, marginsMm, isPrinted, mayLie }: BlankQuestion,
  machine: MachineFacts | undefined,
): LaidBlank {
  const on = (fromEdgesMm: FromEdges): LayOut =>
    layOutOnePiece({
      ...{ sheetWidthMm: sheet.widthMm, sheetHeightMm: sheet.heightMm, fromEdgesMm, mayLie },
      ...{ pieceWidthMm: blank.widthMm, pieceHeightMm: blank.heightMm, gutterMm: 2 * bleedMm },
    });
  const plain = insideMargins(marginsMm, bleedMm);
  if (!machine || (isPrinted && !looksForMarks(machine))) return { laid: on(plain), machineMarks: [] };
  const seen = marginsWith(machine, marginsMm);
  const marks = isPrinted ? markPlaces(sheet, seen) : [];
  const tried = roomsFor(seen, machine, isPrinted).map((kept) => {
    const laid = on(atLeast(plain, kept));
    const isClear = clearOf(
      marks,
      laid.pieces.map(({ trim }) => trim),
      bleedMm,
    );
    return { laid, clearUp: isClear ? laid.up : 0 };
  });
  const best = tried.reduce((a, b) => (b.clearUp > a.clearUp ? b : a));
  return { laid: best.laid, machineMarks: best.clearUp > 0 ? marks : [] };
}

/** A knife wants its own margin off the trim, and a printer its own off the ink. */
function atLeast({ asDrawn, turned }: FromEdges, kept: Sides): FromEdges {
  const both = (sides: Sides): Sides => ({
    top: Math.max(sides.top, kept.top),
    right: Math.max(sides.right, kept.right),
    bottom: Math.max(sides.bottom, kept.bottom),
    left: Math.max(sides.left, kept.left),
  });
  return { asDrawn: both(asDrawn), turned: both(turned) };
}
