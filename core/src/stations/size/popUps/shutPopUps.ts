import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import type { FoldedForm } from '../../../ground/fold/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { stockOf } from '../../../job/pick.ts';
import type { Job } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { FOLD_SPRING, type LayerPiece } from '../layers.ts';
import { assemble, popUpsAsked, type PopUpAsked, type PutTogether } from './assemble.ts';
import { shutMoment, shutPieces, type ShutPiece } from './bodies.ts';
import { bulkOf, type Bulk } from './bulkOf.ts';
import { popUpPieces } from './popUpPieces.ts';
import { spreadOf, type Spread } from './spread.ts';

/** The pop-ups of a job as they lie between shut pages: all that a thickness asks for, and nothing of how they move. */
export interface ShutPopUps {
  readonly asked: readonly PopUpAsked[];
  /** Null where the card has no fold for them; then there is nothing else of them. */
  readonly put: {
    readonly spread: Spread;
    readonly together: PutTogether;
    readonly shut: readonly ShutPiece[];
    readonly bulk: Bulk;
  } | null;
  readonly pieces: readonly LayerPiece[];
  /** What they add to the shut card. */
  readonly addedMm: Mm;
}

/** Null where a job has none. */
export function shutPopUps(
  job: Job,
  workshop: Workshop,
  form: FoldedForm,
  faces: readonly ReadFace[],
): ShutPopUps | null {
  const asked = popUpsAsked(job.size.layers);
  if (asked.length === 0) return null;
  const spread = spreadOf(form, faces);
  if (!spread) return { asked, put: null, pieces: [], addedMm: 0 };
  const together = assemble(asked, spread);
  const pieces = popUpPieces(job, workshop, together, spread);
  // What is cut in is of the card itself.
  const caliperOf = (partId: string): Mm =>
    (pieces.find(({ id }) => id === partId)?.stock ?? stockOf(job, workshop)).caliperMicron / 1000;
  const shut = shutPieces(together, shutMoment(together));
  const bulk = bulkOf(shut, caliperOf);
  return { asked, put: { spread, together, shut, bulk }, pieces, addedMm: bulk.mm * FOLD_SPRING };
}
