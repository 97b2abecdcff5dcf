import type { FoldedForm } from '../../ground/fold/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { decide } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { adhesiveById, stockOf } from '../../job/pick.ts';
import type { Job } from '../../job/types.ts';
import { layAdhesive, type Laying } from '../../workshop/adhesives.ts';
import type { Adhesive, Workshop } from '../../workshop/types.ts';
import { adhesiveSnag } from './adhesiveSnag.ts';

/** A panel of the card itself that is glued to another, with what holds it. */
export interface FormSeam {
  readonly name: string;
  readonly box: { readonly widthMm: Mm; readonly heightMm: Mm };
  readonly adhesive: Adhesive;
  readonly laying: Laying;
}

/** What a card holds hangs on its seams, on each of them a share. */
const shareOf = ({ size }: Job, { glued = [] }: FoldedForm): number =>
  (size.contentGrams ?? 0) / Math.max(1, glued.length);

/** The seams of a wallet, a bag, a pouch or a box, where the job says with what they are glued. */
export function formSeams(job: Job, workshop: Workshop, form: FoldedForm): readonly FormSeam[] {
  const adhesive = adhesiveById(workshop, job.size.adhesiveId, 'size.adhesiveId');
  if (!adhesive) return [];
  const loadGrams = shareOf(job, form);
  return (form.glued ?? []).map((id) => {
    const { name, box } = form.blank.panels.find((panel) => panel.id === id)!;
    return { name, box, adhesive, laying: layAdhesive(adhesive, box, loadGrams) };
  });
}

/** The first seam that its adhesive does not suit, since one adhesive holds them all. */
export function formSeamSnags(job: Job, workshop: Workshop, form: FoldedForm): readonly Snag[] {
  const seams = formSeams(job, workshop, form);
  const bad = seams.find(({ laying }) => !laying.ok) ?? seams[0];
  if (!bad) return [];
  const loadGrams = shareOf(job, form);
  return adhesiveSnag(workshop, {
    ...{ id: 'size-seam-holds', station: 'size', what: `The ${bad.name.toLowerCase()}`, adhesive: bad.adhesive },
    ...{ laying: bad.laying, loadGrams, gsm: stockOf(job, workshop).gsm },
    wouldHold: (other) => seams.every(({ box }) => layAdhesive(other, box, loadGrams).ok),
    use: (id) => [decide((at) => at.size.adhesiveId, id)],
  });
}
