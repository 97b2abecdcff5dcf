import { cutFrom, HELD_MM } from '../parts/cutFrom.ts';
import { along, glueAngle, glueLine, height } from '../parts/inputs.ts';
import { foldedV } from '../parts/foldedV.ts';
import { vFaults } from '../parts/vFaults.ts';
import type { Mechanism } from '../types.ts';

/**
 * A V of the card’s own card: a slit from hinge to hinge over the fold, which is bent the other way between them. Its
 * hinges are as far from its middle crease as from the fold, β = α: flat it is flush, shut it lies 2α from the head.
 */
export const cutInV: Mechanism = {
  id: 'cutInV',
  name: 'Cut-in V',
  says: 'A beak or a wing of the card itself, freed by one slit: no glue.',
  mark: 'M4 20L20 22L36 20M20 22L11 8L20 4L29 8L20 22V4',
  sits: 'gutter',
  inputs: [
    ...[along('Point from its head'), glueAngle('Hinges to fold')],
    ...[{ ...glueLine, label: 'Hinges' }, height('Along its crease')],
  ],
  make: (popUp, { layerId, gutter }) => {
    const { alongMm, glueDeg, glueMm, heightMm } = popUp;
    const degs = [glueDeg, glueDeg] as const;
    const fault = vFaults({ ...popUp, pieceDeg: glueDeg, lean: 'fro' }, degs, degs);
    if (fault) return fault;
    return cutFrom(
      foldedV({
        ...{ layerId, name: 'Cut-in V', gutter: gutter!, alongMm, glueDegs: degs, pieceDegs: degs, glueMm, heightMm },
        ...{ lean: 'fro', tabMm: HELD_MM, tabs: 'showing' },
      }),
      gutter!,
    );
  },
};
