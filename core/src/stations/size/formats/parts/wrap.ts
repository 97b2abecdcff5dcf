import type { FormatOptions } from '../../../../job/format.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { Paper } from '../types.ts';

/**
 * What a panel loses for lying inside a fold: a millimetre, or what the paper’s own thickness asks.
 * The bend round a pile of `enclosed` sheets takes π/4·(pile + caliper) on either side of its crease
 * (half of a half circle on the middle of the outer sheet); 2·caliper + ½ mm adds what hands are off by.
 */
export const wrapMm = ({ shortenMm }: FormatOptions, { caliperMm }: Paper, enclosed: number): Mm =>
  shortenMm ?? Math.max(1, 2 * caliperMm + 0.5, (Math.PI / 4) * (enclosed + 1) * caliperMm);
