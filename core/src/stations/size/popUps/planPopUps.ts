import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import type { FoldedForm } from '../../../ground/fold/types.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { motionOf } from '../../../ground/linkage/motionOf.ts';
import type { Moment } from '../../../ground/linkage/types.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Job } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { FOLD_SPRING, type LayerPiece } from '../layers.ts';
import { assemble, popUpsAsked, type PutTogether } from './assemble.ts';
import { shutMoment, shutPieces } from './bodies.ts';
import { bulkOf } from './bulkOf.ts';
import { fanOpensDeg } from './fanAt.ts';
import { glueSpots } from './glueSpots.ts';
import { jamsOf } from './jams.ts';
import { popUpPieces } from './popUpPieces.ts';
import { noFoldSnags, popUpSnags } from './popUpSnags.ts';
import { spreadOf } from './spread.ts';
import { isStrained, type PopUpPlan } from './popUpPlan.ts';

/** The pop-ups of a job: their parts, how they move and what is wrong with them; null where there are none. */
export function planPopUps(
  job: Job,
  workshop: Workshop,
  form: FoldedForm,
  faces: readonly ReadFace[],
): { readonly plan: PopUpPlan | null; readonly pieces: readonly LayerPiece[]; readonly snags: readonly Snag[] } {
  const asked = popUpsAsked(job.size.layers);
  if (asked.length === 0) return { plan: null, pieces: [], snags: [] };
  const spread = spreadOf(form, faces);
  if (!spread) return { plan: null, pieces: [], snags: noFoldSnags(job, asked) };
  const together = assemble(asked, spread);
  const pieces = popUpPieces(job, workshop, together, spread);
  const motion = motionOf(together.linkage);
  const caliperOf = (partId: string): Mm => pieces.find(({ id }) => id === partId)!.stock.caliperMicron / 1000;
  const shut = shutPieces(together, shutMoment(together));
  const bulk = bulkOf(shut, caliperOf);
  const opensDeg = Math.min(opensTo(together, motion), ...together.fans.map(fanOpensDeg));
  const spots = glueSpots(together);
  const plan: PopUpPlan = {
    ...{ spread, motion, opensDeg, shut, bulk, spots },
    ...{ parts: together.parts, bands: together.bands, fans: together.fans },
    order: together.made.map(({ asked: one, name, made: { parts, bands = [], fans = [] } }) => ({
      ...{ ...one, name },
      partIds: [...parts, ...bands, ...fans].map(({ id }) => id),
    })),
    addedMm: bulk.mm * FOLD_SPRING,
    places: [...together.carriers].map(([layerId, { gutters, seats }]) => ({
      layerId,
      name: layerId === null ? 'The card' : together.made.find(({ asked: one }) => one.layerId === layerId)!.name,
      gutters: Object.keys(gutters),
      seats: Object.entries(seats).map(([id, { name }]) => ({ id, name })),
    })),
  };
  const jams = jamsOf(together, spread, motion);
  return { plan, pieces, snags: popUpSnags({ job, workshop, asked, together, plan, jams }) };
}

const FINER = 8;

/** The last opening at which everything is where its glue holds it. */
function opensTo({ linkage }: PutTogether, motion: readonly Moment[]): Deg {
  const first = motion.findIndex(isStrained);
  if (first < 0) return 180;
  if (first === 0) return 0;
  const [from, to] = [motion[first - 1]!.openDeg, motion[first]!.openDeg];
  const between = Array.from({ length: FINER }, (_, i) => from + ((to - from) * (i + 1)) / FINER);
  const finer = motionOf(linkage, [...motion.slice(0, first).map(({ openDeg }) => openDeg), ...between]);
  return finer[finer.findIndex(isStrained) - 1]?.openDeg ?? from;
}
