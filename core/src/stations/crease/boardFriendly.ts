import type { Context } from '../../job/context.ts';
import type { Mm } from '../../ground/length/types.ts';
import { boardOf } from '../../job/pick.ts';
import { layOutOnePiece } from '../sheet/layout/layOut.ts';
import { ask } from '../sheet/layout/question.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { cellOf } from '../size/cell.ts';
import { formOf, settleOptions } from '../size/formats/index.ts';
import { isFinishable } from '../size/limits.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { landings, straightCreases } from './creaseLines.ts';

/** A finished size near the job’s own whose creases all land on grooves. */
export interface FriendlySize {
  readonly field: 'finishedWidthMm' | 'finishedHeightMm';
  readonly mm: Mm;
  /** How much larger (or smaller) than now. */
  readonly byMm: Mm;
  readonly up: number;
  readonly worstMm: Mm;
}

/** A card on its sheet, whose size is to be nudged. */
interface Friendly extends Context {
  readonly size: SizePlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
}

/** A crease this near its groove is on it: half of the finest mark on a rule. */
const ON_GROOVE_MM = 0.1;
/** Farther away than this is another card. */
const NEARBY_MM = 15;
const MOST = 6;
const SAME_MM = 0.005;
/** Grooves tried either way of the nearest: a fine board has one every half millimetre. */
const STEPS = 8;

/** What grows with the finished size, now and for every millimetre more. */
interface Growing {
  readonly now: Mm;
  readonly slope: number;
}
const at = ({ now, slope }: Growing, byMm: Mm): Mm => now + slope * byMm;

/**
 * Every distance on the blank grows in step with the finished size, so two blanks a millimetre apart tell
 * them all. Each line then asks for a row of sizes one groove apart; the nearest are tried, and kept when
 * all lines land and the sheet still gives as many cards.
 */
export function boardFriendly({ job, workshop, size, stock, sheet }: Friendly): readonly FriendlySize[] {
  const { blank } = size.form;
  if (blank.creases.length === 0) return [];
  const board = boardOf(job, workshop);
  const question = ask(
    job,
    { ...size, bleedMm: sheet.bleedMm },
    stock.stock,
    sheet.fromEdgesMm,
    { widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm },
    sheet.cell,
    sheet.mayLie,
  );
  const found: FriendlySize[] = [];
  for (const field of ['finishedWidthMm', 'finishedHeightMm'] as const) {
    const now = job.size[field];
    const finish = { widthMm: job.size.finishedWidthMm, heightMm: job.size.finishedHeightMm };
    const more = { ...finish, [field === 'finishedWidthMm' ? 'widthMm' : 'heightMm']: now + 1 };
    const { options } = settleOptions(job.size.format, more, job.size.options);
    const nudged = formOf(job.size.format, more, options, { caliperMm: size.folding.caliperMm });
    // What is cut in keeps its own measures, whatever the card’s are.
    const moved = straightCreases(nudged.blank);
    const lines = straightCreases({ creases: blank.creases }).map((line, i) => {
      const then = landings(moved[i]!, nudged.blank, board);
      return landings(line, blank, board).map((l, edge): Growing => ({
        now: l.fromStopMm,
        slope: then[edge]!.fromStopMm - l.fromStopMm,
      }));
    });
    if (!lines.some((edges) => edges.some((e) => Math.abs(e.slope) > 0.1))) continue;
    const cell = cellOf(nudged, sheet.bleedMm, sheet.cell.blanks.length);
    const [width, height]: readonly Growing[] = [
      { now: sheet.cell.widthMm, slope: cell.widthMm - sheet.cell.widthMm },
      { now: sheet.cell.heightMm, slope: cell.heightMm - sheet.cell.heightMm },
    ];
    const asked = new Set<number>();
    for (const { now: from, slope } of lines.flat().filter((e) => Math.abs(e.slope) > 0.1)) {
      const nearest = Math.round(from / board.grooveEveryMm);
      for (let k = -STEPS; k <= STEPS; k += 1) {
        const byMm = ((nearest + k) * board.grooveEveryMm - from) / slope;
        if (Math.abs(byMm) <= NEARBY_MM && isFinishable(now + byMm)) asked.add(Math.round(byMm * 1e6) / 1e6);
      }
    }
    for (const byMm of [...asked].sort((a, b) => Math.abs(a) - Math.abs(b))) {
      const off = (e: Growing): Mm => {
        const mm = at(e, byMm);
        return Math.abs(mm - Math.max(1, Math.round(mm / board.grooveEveryMm)) * board.grooveEveryMm);
      };
      const worstMm = Math.max(...lines.map((edges) => Math.min(...edges.map(off))));
      // The card as it is is no other size.
      if (worstMm > ON_GROOVE_MM || Math.abs(byMm) < SAME_MM) continue;
      const fits = layOutOnePiece({ ...question, pieceWidthMm: at(width!, byMm), pieceHeightMm: at(height!, byMm) });
      const up = fits.up * sheet.cell.blanks.length;
      if (up < sheet.up || up === 0) continue;
      found.push({ field, mm: Math.round((now + byMm) * 1e4) / 1e4, byMm, up, worstMm });
      if (found.filter((f) => f.field === field).length === MOST) break;
    }
  }
  return found.sort((a, b) => Math.abs(a.byMm) - Math.abs(b.byMm)).slice(0, MOST);
}
