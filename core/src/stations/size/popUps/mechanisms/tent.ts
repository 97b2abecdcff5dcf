import { along, depth, height, otherDepth, tab, tabs, width } from '../parts/inputs.ts';
import { parallelFold } from '../parts/parallelFold.ts';
import type { Mechanism } from '../types.ts';

/** Shorter legs are no more than glue. */
const LEAST_LEG_MM = 5;

/** Two legs that meet in a ridge over the gutter; shut, both end at one place, so that the second follows from the first. */
export const tent: Mechanism = {
  id: 'tent',
  name: 'Tent',
  says: 'A ridge over the fold that rises as the card opens.',
  mark: 'M4 20H36M10 20L20 5L30 20',
  sits: 'gutter',
  inputs: [
    ...[along(), width(), depth('First foot out'), otherDepth('Second foot out')],
    ...[height('First leg'), tab, tabs],
  ],
  // Flat, its legs together have to reach from foot to foot: the first as long as the second foot is far out.
  opensFlat: ({ otherDepthMm }) => [{ label: 'Make its legs just reach', part: { heightMm: otherDepthMm } }],
  make: ({ alongMm, widthMm, depthMm, otherDepthMm, heightMm, tabMm, tabs: lie }, { layerId, gutter }) => {
    const other = depthMm + heightMm - otherDepthMm;
    if (other < LEAST_LEG_MM)
      return {
        ok: false,
        title: 'The tent’s second foot is farther out than its first leg reaches',
        why: 'Shut, both legs end at one place; the second one would be shorter than its own glue.',
        mends: [
          { label: 'Put both feet as far out', part: { otherDepthMm: depthMm } },
          { label: 'Make the first leg longer', part: { heightMm: otherDepthMm - depthMm + 2 * LEAST_LEG_MM } },
        ],
      };
    return {
      ok: true,
      made: parallelFold({
        ...{ layerId, name: 'Tent', gutter: gutter!, alongMm, widthMm, tabMm, tabs: lie },
        ...{ aMm: depthMm, bMm: otherDepthMm, legAMm: heightMm, legBMm: other },
        names: ['First leg', 'Second leg'],
      }),
    };
  },
};
