import { evenSides, grow } from '../../../ground/geometry/box.ts';
import type { Point, Sides } from '../../../ground/geometry/types.ts';
import type { Job } from '../../../job/types.ts';
import type { MachineFacts, Stock } from '../../../workshop/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { cellsOf, type Cell } from '../../size/cell.ts';
import type { OpenCard } from '../../size/openCard.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from './layOut.ts';
import { MARK_ROOM_MM, marginsWith, markPlaces, markRoom } from './machineMarks.ts';
import { overlaps } from '../../../ground/geometry/box.ts';
import { ask } from './question.ts';
import { outOfReach, type SheetSide } from './reach.ts';

/** A job’s cards on one sheet. */
export interface OnSheet {
  readonly cell: Cell;
  readonly question: LayOutQuestion;
  readonly laid: LayOut;
  /** Cards, not cells. */
  readonly up: number;
  /** What neither printer nor machine reaches, as seen from the front. */
  readonly marginsMm: Sides;
  /** Three for a machine that cuts them; none where no card lies clear of them. */
  readonly machineMarks: readonly Point[];
}

/**
 * The most cards of a job on one sheet, whoever asks: the plan, a remedy, a row of choices. Nested pairs save
 * paper, but a pair may be too large for a sheet that holds one; and a machine’s marks may lie clear of the cards
 * as they are, or want a strip along two sides. Where no card lies clear of them, the sheet is as without them.
 */
export function layOnSheet(
  job: Job,
  size: OpenCard,
  {
    stock,
    marginsMm: printer,
    sheet,
    machine,
    sides,
  }: {
    readonly stock: Stock;
    /** Of the feed path, on any page as it is fed. */
    readonly marginsMm: Sides;
    readonly sheet: { readonly widthMm: Mm; readonly heightMm: Mm };
    readonly machine: MachineFacts | undefined;
    /**
     * Sides that are printed. Bare card has no ink to keep inside the printer’s margins, no bleed, and no marks for a
     * machine to find.
     */
    readonly sides: readonly SheetSide[];
  },
): OnSheet {
  const bare = sides.length === 0;
  const reach = outOfReach(printer, sheet, job.sheet.flipEdge, sides);
  const marginsMm = machine ? marginsWith(machine, reach) : reach;
  const marks = machine && !bare ? markPlaces(sheet, marginsMm) : [];
  const asked = bare ? { ...size, bleedMm: 0 } : size;
  const tries = cellsOf(size.form, asked.bleedMm).flatMap((cell) =>
    roomsFor(marginsMm, marks.length > 0).map((room) => {
      const question = ask(job, asked, stock, room, sheet, cell);
      const laid = layOutOnePiece(question);
      const clear = marks.every((mark) =>
        laid.pieces.every(({ trim }) => !overlaps(markRoom(mark), grow(trim, evenSides(asked.bleedMm)))),
      );
      return { cell, question, laid, clearUp: clear ? laid.up * cell.blanks.length : 0 };
    }),
  );
  const { cell, question, laid, clearUp } = tries.reduce((most, next) => (next.clearUp > most.clearUp ? next : most));
  return {
    cell,
    question,
    laid,
    up: laid.up * cell.blanks.length,
    marginsMm,
    machineMarks: clearUp > 0 ? marks : [],
  };
}

/** Margins to lay out within: all there is; or a strip kept for marks above and below, or left and right. */
function roomsFor(margins: Sides, forMarks: boolean): readonly Sides[] {
  if (!forMarks) return [margins];
  const { top, right, bottom, left } = margins;
  return [
    margins,
    { ...margins, top: top + MARK_ROOM_MM, bottom: bottom + MARK_ROOM_MM },
    { ...margins, left: left + MARK_ROOM_MM, right: right + MARK_ROOM_MM },
  ];
}
