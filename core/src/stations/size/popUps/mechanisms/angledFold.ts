import { foldedV } from '../parts/foldedV.ts';
import { along, glueAngle, glueLine, height, lean, otherGlueAngle, pieceAngle, tab, tabs } from '../parts/inputs.ts';
import { vFaults } from '../parts/vFaults.ts';
import type { Mechanism } from '../types.ts';

/**
 * A V that is glued at another angle on either page, so that it turns as it rises. Shut, its crease lies at one place:
 * α₁ ± β₁ = α₂ ± β₂, which gives the second piece angle.
 */
export const angledFold: Mechanism = {
  id: 'angledFold',
  name: 'Angled fold',
  says: 'A fold glued askew, which turns to one side as it rises.',
  mark: 'M2 18L18 15L38 21M18 15L24 3M7 17L10 7L24 3L33 9L33 19',
  sits: 'gutter',
  inputs: [
    ...[along('Point from its head'), glueAngle('First glue line')],
    ...[otherGlueAngle('Second glue line'), pieceAngle('First to its crease'), glueLine],
    ...[height('Along its crease'), lean, tab, tabs],
  ],
  make: (popUp, { layerId, gutter }) => {
    const { alongMm, glueDeg, otherGlueDeg, pieceDeg, glueMm, heightMm, lean: way, tabMm, tabs: lie } = popUp;
    const other = way === 'fro' ? glueDeg + pieceDeg - otherGlueDeg : otherGlueDeg - glueDeg + pieceDeg;
    const [glueDegs, pieceDegs] = [[glueDeg, otherGlueDeg] as const, [pieceDeg, other] as const];
    const fault = vFaults(popUp, glueDegs, pieceDegs);
    if (fault) return fault;
    return {
      ok: true,
      made: foldedV({
        ...{ layerId, name: 'Angled fold', gutter: gutter!, alongMm, glueDegs, pieceDegs, glueMm, heightMm },
        ...{ lean: way, tabMm, tabs: lie },
      }),
    };
  },
};
