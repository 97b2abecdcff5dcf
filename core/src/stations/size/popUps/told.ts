import { formatLength } from '../../../ground/length/formatLength.ts';
import { decide } from '../../../job/decide.ts';
import type { Remedy } from '../../../job/findings.ts';
import type { PopUp } from '../../../job/popUps.ts';
import type { Job } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import type { PopUpAsked, PutTogether } from './assemble.ts';
import type { Jam } from './jams.ts';
import type { PopUpPlan } from './popUpPlan.ts';
import { apart } from './tried.ts';

/** What is known of a job’s pop-ups, for those who say what is wrong with them. */
export interface Told {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly asked: readonly PopUpAsked[];
  readonly together: PutTogether;
  readonly plan: PopUpPlan;
  readonly jams: readonly Jam[];
}

export const takeOff = (job: Job, layerId: string): Remedy => ({
  label: 'Take this pop-up off',
  changes: [
    decide(
      (at) => at.size.layers,
      job.size.layers.filter(({ id }) => id !== layerId),
    ),
  ],
});

/** Changes some of what a pop-up asks. */
export const asking = (job: Job, layer: number, label: string, part: Partial<PopUp>): Remedy => ({
  label,
  changes: [decide((at) => at.size.layers.at(layer).popUp, { ...job.size.layers[layer]!.popUp, ...part })],
});

export const nameOf = ({ parts, bands, fans }: Pick<PutTogether, 'parts' | 'bands' | 'fans'>, partId: string): string =>
  [...parts, ...bands, ...fans].find(({ id }) => id === partId)!.name;

/** Two pop-ups that share no stretch of the fold never meet. */
export function movedApart(
  { job, workshop: { unit }, asked, together, plan: { spread, motion } }: Told,
  layerIds: readonly string[],
): readonly Remedy[] {
  const [first, second] = [...new Set(layerIds)].map((id) => asked.find(({ layerId }) => layerId === id)!);
  if (!first || !second) return [];
  return apart({ asked, together, spread, unit }, motion, [first, second]).map(({ one, mm, part }) =>
    asking(
      job,
      one.layer,
      `Move the ${nameOfLayer(together, one.layerId).toLowerCase()} ${formatLength(Math.abs(mm), unit)} ${mm > 0 ? 'down' : 'up'} the fold`,
      part,
    ),
  );
}

export const nameOfLayer = ({ made }: PutTogether, layerId: string): string =>
  made.find(({ asked }) => asked.layerId === layerId)!.name;
