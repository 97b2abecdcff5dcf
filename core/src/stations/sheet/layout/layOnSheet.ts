import { evenSides } from '../../../ground/geometry/box.ts';
import type { Point, Sides } from '../../../ground/geometry/types.ts';
import type { Job } from '../../../job/types.ts';
import type { MachineFacts, Stock } from '../../../workshop/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { InkOnBlank } from '../../art/faces/inkOnBlank.ts';
import { cellsOf, halfTurned, type Cell } from '../../size/cell.ts';
import type { OpenCard } from '../../size/openCard.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from './layOut.ts';
import { clearOf, looksForMarks, marginsWith, markPlaces, roomsFor } from './machineMarks.ts';
import { insideMargins } from './edges.ts';
import { fromEdgesOf, inkOnCell, isEven, sidesOf } from './inkOnSheet.ts';
import { ask, EITHER_WAY, waysFor } from './question.ts';
import { outOfReach, outOfReachOn } from './reach.ts';

/** A job’s cards on one sheet. */
export interface OnSheet {
  readonly cell: Cell;
  readonly question: LayOutQuestion;
  readonly laid: LayOut;
  /** Cards, not cells. */
  readonly up: number;
  /** Round every card; none where no ink goes on past it. */
  readonly bleedMm: Mm;
  /** What neither printer nor machine reaches, as seen from the front. */
  readonly marginsMm: Sides;
  /** Three for a machine that cuts them; none where no card lies clear of them. */
  readonly machineMarks: readonly Point[];
}

/**
 * The most cards of a job on one sheet, whoever asks: the plan, a remedy, a row of choices. Nested pairs save
 * paper, but a pair may be too large for a sheet that holds one; a card turned half round may bring a bare edge to where
 * the printer does not reach; a grain that is preferred is kept where it costs no card; and a machine’s marks may lie clear
 * of the cards as they are, or want a strip along two sides. Where no card lies clear of them, the sheet is as without
 * them.
 */
export function layOnSheet(
  job: Job,
  size: OpenCard,
  {
    stock,
    marginsMm: printer,
    sheet,
    machine,
    ink,
  }: {
    readonly stock: Stock;
    /** Of the feed path, on any page as it is fed. */
    readonly marginsMm: Sides;
    readonly sheet: { readonly widthMm: Mm; readonly heightMm: Mm };
    readonly machine: MachineFacts | undefined;
    /** Bare card has no ink to keep inside the printer’s margins, no bleed, and no marks for a machine to find. */
    readonly ink: InkOnBlank;
  },
): OnSheet {
  const sides = sidesOf(ink);
  const marginsMm = seenMargins(outOfReach(printer, sheet, job.sheet.flipEdge, sides), machine);
  const marks = machine && looksForMarks(machine) && sides.length > 0 ? markPlaces(sheet, marginsMm) : [];
  const bleedMm = ink.bleeds ? size.bleedMm : 0;
  const asked = { ...size, bleedMm };
  const reach = Object.fromEntries(sides.map((side) => [side, outOfReachOn(side, printer, sheet, job.sheet.flipEdge)]));
  const cells = cellsToTry(asked, ink);
  // Without ink there is no edge to keep from, and with the grain as it likes no fewer cards: nothing gives more.
  const most = Math.max(
    ...cells.map((cell) => {
      const bare = ask(job, asked, stock, insideMargins(evenSides(0), 0), sheet, cell, EITHER_WAY);
      return layOutOnePiece(bare).up * cell.blanks.length;
    }),
  );
  let best: Tried | null = null;
  for (const mayLie of waysFor(job, asked, stock))
    for (const cell of cells)
      for (const kept of roomsFor(marginsMm, machine, marks.length > 0)) {
        if (best?.clearUp === most) break;
        const own = inkOnCell(ink, cell, size.form.blank, bleedMm);
        const question = ask(job, asked, stock, fromEdgesOf(own, { reach, kept, bleedMm }), sheet, cell, mayLie);
        const laid = layOutOnePiece(question);
        const trims = laid.pieces.map(({ trim }) => trim);
        const clearUp = clearOf(marks, trims, bleedMm) ? laid.up * cell.blanks.length : 0;
        if (!best || clearUp > best.clearUp) best = { cell, question, laid, clearUp };
      }
  const { cell, question, laid, clearUp } = best!;
  return {
    cell,
    question,
    laid,
    up: laid.up * cell.blanks.length,
    bleedMm,
    marginsMm,
    machineMarks: clearUp > 0 ? marks : [],
  };
}

type Tried = Pick<OnSheet, 'cell' | 'question' | 'laid'> & { readonly clearUp: number };

const seenMargins = (reach: Sides, machine: MachineFacts | undefined): Sides =>
  machine ? marginsWith(machine, reach) : reach;

/** As it is drawn, in a pair where it nests, and turned half round where that brings other ink to an edge. */
function cellsToTry(card: OpenCard, ink: InkOnBlank): readonly Cell[] {
  const cells = cellsOf(card.form, card.bleedMm);
  return isEven(ink) ? cells : [...cells, halfTurned(cells[0]!)];
}
