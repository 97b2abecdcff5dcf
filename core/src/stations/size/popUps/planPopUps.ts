import { motionOf } from '../../../ground/linkage/motionOf.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Job } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { heldBy } from './assemble.ts';
import { cutInsOf } from './cutIns.ts';
import { fanOpensDeg } from './fanAt.ts';
import { glueSpots } from './glueSpots.ts';
import { jamsOf } from './jams.ts';
import { opensTo } from './opensTo.ts';
import type { PopUpPlan } from './popUpPlan.ts';
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
  const opensDeg = Math.min(
    ...together.made.map((one) => opensTo(together, motion, heldBy(one))),
    ...together.fans.map(fanOpensDeg),
    180,
  );
  const spots = glueSpots(together);
  const plan: PopUpPlan = {
    ...{ spread, motion, opensDeg, shut, bulk, spots, addedMm },
    ...{ cutIns: cutInsOf(together), parts: together.parts, bands: together.bands, fans: together.fans },
    order: together.made.map(({ asked: one, name, made: { parts, bands = [], fans = [] } }) => ({
      ...{ ...one, name },
      partIds: [...parts, ...bands, ...fans].map(({ id }) => id),
    })),
    seats: [...together.carriers].flatMap(([layerId, { seats }]) =>
      Object.entries(seats).map(([id, seat]) => ({ layerId, id, seat })),
    ),
    places: [...together.carriers].map(([layerId, { gutters, seats }]) => ({
      layerId,
      name: layerId === null ? 'The card' : together.made.find(({ asked: one }) => one.layerId === layerId)!.name,
      gutters: Object.entries(gutters).map(([id, gutter]) => ({ id, name: gutter.name })),
      seats: Object.entries(seats).map(([id, { name }]) => ({ id, name })),
    })),
  };
  const jams = jamsOf(together, spread, motion);
  return { plan, snags: popUpSnags({ job, workshop, asked, together, plan, jams }) };
}
