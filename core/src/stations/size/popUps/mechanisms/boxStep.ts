import type { Mechanism } from '../types.ts';
import { depth, along, height, tab, tabs, width } from '../parts/inputs.ts';
import { parallelFold } from '../parts/parallelFold.ts';

/**
 * A strip parallel to both pages: a parallelogram in section at every opening, a box when the card stands at a right
 * angle. Shut, its ridge lies depth + height from the gutter.
 */
export const boxStep: Mechanism = {
  id: 'boxStep',
  name: 'Box step',
  says: 'A step that stands square in a card opened at a right angle.',
  mark: 'M6 22H34V4M14 22V11H34',
  sits: 'gutter',
  inputs: [along(), width(), depth('Stands out by'), height('Height'), tab, tabs],
  make: ({ alongMm, widthMm, depthMm, heightMm, tabMm, tabs: lie }, { layerId, gutter }) => ({
    ok: true,
    made: parallelFold({
      ...{ layerId, name: 'Box step', gutter: gutter!, alongMm, widthMm, tabMm, tabs: lie },
      ...{ aMm: depthMm, bMm: heightMm, legAMm: heightMm, legBMm: depthMm },
      names: ['Front', 'Top'],
    }),
  }),
};
