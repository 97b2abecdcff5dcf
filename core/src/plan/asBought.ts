import { changeJob } from '../job/changeJob.ts';
import type { Remedy, StationPlan } from '../job/findings.ts';
import { stockOf } from '../job/pick.ts';
import { STATIONS, type Station } from '../job/stations.ts';
import type { Job } from '../job/types.ts';
import type { Workshop } from '../workshop/types.ts';
import { isAsBought } from '../stations/size/readyCard.ts';

/**
 * A plan for ready-cut cards without the remedies of any station that would make them another card, or cut it from a
 * sheet: nothing that its maker cannot do with the pack in hand mends anything.
 */
export function asBought<Plan extends Readonly<Record<Station, StationPlan>>>(
  plan: Plan,
  job: Job,
  workshop: Workshop,
): Plan {
  const stock = stockOf(job, workshop);
  // One that is another card already is told so at Size, and there has its remedy.
  if (!stock.readyCut || !isAsBought(job.size, stock)) return plan;
  const keepsIt = ({ changes }: Remedy): boolean => {
    const after = changeJob(job, changes);
    const then = stockOf(after, workshop);
    return then.readyCut !== undefined && isAsBought(after.size, then);
  };
  return Object.fromEntries(
    STATIONS.map((station) => [
      station,
      {
        ...plan[station],
        snags: plan[station].snags.map((snag) => ({ ...snag, remedies: snag.remedies.filter(keepsIt) })),
      },
    ]),
  ) as unknown as Plan;
}
