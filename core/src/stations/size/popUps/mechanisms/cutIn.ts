import { cutFrom, HELD_MM } from '../parts/cutFrom.ts';
import { along, depth, height, width } from '../parts/inputs.ts';
import { parallelFold } from '../parts/parallelFold.ts';
import type { Mechanism } from '../types.ts';

/**
 * A box step of the card’s own card: between two slits across the fold, depth on one side and height on the other, a strip
 * is bent the other way. It is a parallelogram at every opening, as a glued one is, and lies flush when the card is flat.
 */
export const cutIn: Mechanism = {
  id: 'cutIn',
  name: 'Cut-in step',
  says: 'A step of the card itself, between two slits: no glue.',
  mark: 'M6 22H12M34 22H34.1M14 22V11H34M34 4V8M6 19L10 15M6 15L10 19',
  sits: 'gutter',
  inputs: [along(), width(), depth('Stands out by'), height('Height')],
  make: ({ alongMm, widthMm, depthMm, heightMm }, { layerId, gutter }) =>
    cutFrom(
      parallelFold({
        ...{ layerId, name: 'Cut-in step', gutter: gutter!, alongMm, widthMm, tabMm: HELD_MM, tabs: 'showing' },
        ...{ aMm: depthMm, bMm: heightMm, legAMm: heightMm, legBMm: depthMm },
        names: ['Front', 'Top'],
      }),
      gutter!,
    ),
};
