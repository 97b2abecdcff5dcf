import { along, glueAngle, glueLine, height, lean, pieceAngle, tab, tabs } from '../parts/inputs.ts';
import { foldedV } from '../parts/foldedV.ts';
import { vFaults } from '../parts/vFaults.ts';
import type { Mechanism } from '../types.ts';

/**
 * A V whose point is on the fold. With glue lines at α to the fold and β between them and the crease, the crease rises at
 * φ in the plane between the pages: cos α · cos φ + sin α · cos(θ/2) · sin φ = cos β, the scalar product of the crease and
 * a glue line. Shut, φ = α + β, or α − β where it leans to its glue lines’ head.
 */
export const vFold: Mechanism = {
  id: 'vFold',
  name: 'V-fold',
  says: 'A figure on two legs that turns upright as the card opens.',
  mark: 'M2 21L20 15L38 21M20 15V3M9 18L11 6L20 3L29 6L31 18',
  sits: 'gutter',
  inputs: [
    ...[along('Point from its head'), glueAngle('Glue lines to fold')],
    ...[pieceAngle('Glue lines to crease'), glueLine, height('Along its crease'), lean, tab, tabs],
  ],
  // Flat, its halves together have to reach from glue line to glue line: β no less than α.
  opensFlat: ({ glueDeg }) => [
    { label: `Glue it at its own angle, ${glueDeg}°`, part: { pieceDeg: glueDeg } },
    { label: 'Let it stand square', part: { pieceDeg: 90, lean: 'fro' } },
  ],
  make: (popUp, { layerId, gutter }) => {
    const { alongMm, glueDeg, pieceDeg, glueMm, heightMm, lean: way, tabMm, tabs: lie } = popUp;
    const [glueDegs, pieceDegs] = [[glueDeg, glueDeg] as const, [pieceDeg, pieceDeg] as const];
    const fault = vFaults(popUp, glueDegs, pieceDegs);
    if (fault) return fault;
    return {
      ok: true,
      made: foldedV({
        ...{ layerId, name: 'V-fold', gutter: gutter!, alongMm, glueDegs, pieceDegs, glueMm, heightMm },
        ...{ lean: way, tabMm, tabs: lie },
      }),
    };
  },
};
