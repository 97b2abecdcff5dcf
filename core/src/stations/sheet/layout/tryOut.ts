import { sheetInForce } from './sheetInForce.ts';
import { changeJob } from '../../../job/changeJob.ts';
import { pathOf, stockOf, trimmerOf } from '../../../job/pick.ts';
import type { Job } from '../../../job/types.ts';
import type { JobChange } from '../../../job/decide.ts';
import { inkMargins } from '../../../workshop/borderless.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { openCard, type OpenCard } from '../../size/openCard.ts';
import { layOnSheet, type OnSheet } from './layOnSheet.ts';
import type { InkOnBlank } from '../../art/faces/inkOnBlank.ts';
import { inkThen } from './inkOnSheet.ts';

/** What some changes would put on the sheet. */
export interface TriedSheet extends OnSheet {
  readonly card: OpenCard;
  /** Cards that come out; nought where a cutting machine would find no mark. */
  readonly comesOut: number;
}

/**
 * A job with some changes, laid on its sheet: what a remedy would give, found before it is offered.
 * @param ink of the job as it is; what a change of its size, or a bare edge, makes of it is followed
 */
export function tryOut(job: Job, workshop: Workshop, ink: InkOnBlank, changes: readonly JobChange[]): TriedSheet {
  const then = changeJob(job, changes);
  const card = openCard(then, workshop);
  const stock = stockOf(then, workshop);
  const { machine } = trimmerOf(then, workshop);
  const on = layOnSheet(then, card, {
    stock,
    marginsMm: inkMargins(pathOf(then, workshop), card.bleedMm),
    sheet: sheetInForce(then, stock),
    machine,
    ink: inkThen(ink, { bareEdgeMm: then.size.bareEdgeMm ?? 0, ...shrunk(job, then, workshop, card) }),
  });
  const printed = ink.outside !== null || ink.inside !== null;
  const lost = machine && printed && on.machineMarks.length === 0;
  return { ...on, card, comesOut: lost ? 0 : on.up };
}

/** By how much the open card has become smaller. */
function shrunk(was: Job, then: Job, workshop: Workshop, { form: { blank } }: OpenCard) {
  if (was.size === then.size) return { narrowerMm: 0, lowerMm: 0 };
  const before = openCard(was, workshop).form.blank;
  return { narrowerMm: before.widthMm - blank.widthMm, lowerMm: before.heightMm - blank.heightMm };
}
