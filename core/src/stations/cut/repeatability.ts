import type { Trimmer, TrimmerKind } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';

/**
 * One standard deviation of where a cut lands, mm, for tools nobody has measured yet. Our starting values; a maker’s own,
 * typed with the tool in Workshop, replaces them.
 */
const USUAL_MM: Readonly<Record<TrimmerKind, Mm>> = {
  sliding: 0.35,
  lever: 0.3,
  knife: 0.5,
  scissors: 1,
  machine: 0.2,
};

export const repeatabilityOf = (trimmer: Trimmer): Mm => trimmer.repeatabilityMm ?? USUAL_MM[trimmer.kind];
