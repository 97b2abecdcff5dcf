import { along, depth, otherDepth, tab, tabs, width } from '../parts/inputs.ts';
import { parallelFold } from '../parts/parallelFold.ts';
import type { Mechanism } from '../types.ts';

/**
 * A strap from page to page that is taut when the card lies open. Its legs together are as long as its feet are apart, and
 * shut they end at one place: each is as long as the other foot is far out.
 */
export const bridge: Mechanism = {
  id: 'bridge',
  name: 'Bridge',
  says: 'A strap across the fold, level when the card lies wide open.',
  mark: 'M2 20L20 14L38 20M7 18L20 6L33 18',
  sits: 'gutter',
  inputs: [...[along(), width(), depth('First foot out'), otherDepth('Second foot out')], ...[tab, tabs]],
  make: ({ alongMm, widthMm, depthMm, otherDepthMm, tabMm, tabs: lie }, { layerId, gutter }) => ({
    ok: true,
    made: parallelFold({
      ...{ layerId, name: 'Bridge', gutter: gutter!, alongMm, widthMm, tabMm, tabs: lie },
      ...{ aMm: depthMm, bMm: otherDepthMm, legAMm: otherDepthMm, legBMm: depthMm },
      names: ['First half', 'Second half'],
    }),
  }),
};
