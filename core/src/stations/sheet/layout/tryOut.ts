import { changeJob } from '../../../job/changeJob.ts';
import { pathOf, stockOf, trimmerOf } from '../../../job/pick.ts';
import type { Job } from '../../../job/types.ts';
import type { JobChange } from '../../../job/decide.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { openCard, type OpenCard } from '../../size/openCard.ts';
import { layOnSheet, type OnSheet } from './layOnSheet.ts';
import type { SheetSide } from './reach.ts';

/** What some changes would put on the sheet. */
export interface TriedSheet extends OnSheet {
  readonly card: OpenCard;
  /** Cards that come out; nought where a cutting machine would find no mark. */
  readonly comesOut: number;
}

/**
 * A job with some changes, laid on its sheet: what a remedy would give, found before it is offered.
 * @param sides that are printed, which sheet, size and stock have no say in
 */
export function tryOut(
  job: Job,
  workshop: Workshop,
  sides: readonly SheetSide[],
  changes: readonly JobChange[],
): TriedSheet {
  const then = changeJob(job, changes);
  const card = openCard(then, workshop);
  const stock = stockOf(then, workshop);
  const { machine } = trimmerOf(then, workshop);
  const on = layOnSheet(then, card, {
    stock,
    marginsMm: pathOf(then, workshop).marginsMm,
    sheet: then.sheet.cutDown ?? { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm },
    machine,
    sides,
  });
  const lost = machine && sides.length > 0 && on.machineMarks.length === 0;
  return { ...on, card, comesOut: lost ? 0 : on.up };
}
