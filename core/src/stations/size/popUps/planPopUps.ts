import type { Deg } from '../../../ground/length/types.ts';
import { motionOf } from '../../../ground/linkage/motionOf.ts';
import type { Moment } from '../../../ground/linkage/types.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Job } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import type { PutTogether } from './assemble.ts';
import { fanOpensDeg } from './fanAt.ts';
import { glueSpots } from './glueSpots.ts';
import { jamsOf } from './jams.ts';
import { isStrained, type PopUpPlan } from './popUpPlan.ts';
import { noFoldSnags, popUpSnags } from './popUpSnags.ts';
import type { ShutPopUps } from './shutPopUps.ts';

/** How a job’s pop-ups move as the card opens, and what is wrong with them; null where there are none. */
export function planPopUps(
  job: Job,
  workshop: Workshop,
  laid: ShutPopUps | null,
): { readonly plan: PopUpPlan | null; readonly snags: readonly Snag[] } {
  if (!laid) return { plan: null, snags: [] };
  const { asked, put, addedMm } = laid;
  if (!put) return { plan: null, snags: noFoldSnags(job, asked) };
  const { spread, together, shut, bulk } = put;
  const motion = motionOf(together.linkage);
  const opensDeg = Math.min(opensTo(together, motion), ...together.fans.map(fanOpensDeg));
  const spots = glueSpots(together);
  const plan: PopUpPlan = {
    ...{ spread, motion, opensDeg, shut, bulk, spots, addedMm },
    ...{ parts: together.parts, bands: together.bands, fans: together.fans },
    order: together.made.map(({ asked: one, name, made: { parts, bands = [], fans = [] } }) => ({
      ...{ ...one, name },
      partIds: [...parts, ...bands, ...fans].map(({ id }) => id),
    })),
    places: [...together.carriers].map(([layerId, { gutters, seats }]) => ({
      layerId,
      name: layerId === null ? 'The card' : together.made.find(({ asked: one }) => one.layerId === layerId)!.name,
      gutters: Object.keys(gutters),
      seats: Object.entries(seats).map(([id, { name }]) => ({ id, name })),
    })),
  };
  const jams = jamsOf(together, spread, motion);
  return { plan, snags: popUpSnags({ job, workshop, asked, together, plan, jams }) };
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
