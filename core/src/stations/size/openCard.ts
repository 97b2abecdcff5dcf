import type { FoldedForm } from '../../ground/fold/types.ts';
import type { FormatOptions } from '../../job/format.ts';
import { stockOf } from '../../job/pick.ts';
import type { Job } from '../../job/types.ts';
import type { Workshop } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { formOf, settleOptions, type OptionFault } from './formats/index.ts';

/** A card before it is folded: all that laying it on a sheet asks for. */
export interface OpenCard {
  readonly form: FoldedForm;
  readonly bleedMm: Mm;
}

/** An edge that is kept bare has nothing to bleed. */
export const bleedOf = ({ size: { bleedMm, bareEdgeMm = 0 } }: Job): Mm => (bareEdgeMm > 0 ? 0 : bleedMm);

/** The open card that a job describes, with every option of its format brought within its limits. */
export function openCard(
  job: Job,
  workshop: Workshop,
): OpenCard & { readonly options: FormatOptions; readonly faults: readonly OptionFault[] } {
  const finish = { widthMm: job.size.finishedWidthMm, heightMm: job.size.finishedHeightMm };
  const { options, faults } = settleOptions(job.size.format, finish, job.size.options);
  const form = formOf(job.size.format, finish, options, { caliperMm: stockOf(job, workshop).caliperMicron / 1000 });
  return { form, bleedMm: bleedOf(job), options, faults };
}
