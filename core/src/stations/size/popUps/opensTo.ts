import type { Deg, Mm } from '../../../ground/length/types.ts';
import { motionOf } from '../../../ground/linkage/motionOf.ts';
import type { Moment } from '../../../ground/linkage/types.ts';
import type { PutTogether } from './assemble.ts';

/** Glue gives by this much before it or the card does. Our starting value. */
export const GLUE_GIVES_MM = 0.2;
/** The last step before something is strained is gone through again in so many. */
const FINER = 8;

/** How far the worst of some joints and straps is from where it is held. */
export const strainOf = ({ gapsMm }: Moment, ids: readonly string[]): Mm =>
  Math.max(0, ...ids.map((id) => gapsMm[id] ?? 0));

/** The last opening at which some joints and straps hold; flat where they always do. */
export function opensTo(
  { linkage }: Pick<PutTogether, 'linkage'>,
  motion: readonly Moment[],
  ids: readonly string[],
): Deg {
  const isStrained = (moment: Moment): boolean => strainOf(moment, ids) > GLUE_GIVES_MM;
  const first = motion.findIndex(isStrained);
  if (first < 0) return 180;
  if (first === 0) return 0;
  const [from, to] = [motion[first - 1]!.openDeg, motion[first]!.openDeg];
  const between = Array.from({ length: FINER }, (_, i) => from + ((to - from) * (i + 1)) / FINER);
  const finer = motionOf(linkage, [...motion.slice(0, first).map(({ openDeg }) => openDeg), ...between]);
  return finer[finer.findIndex(isStrained) - 1]?.openDeg ?? from;
}
