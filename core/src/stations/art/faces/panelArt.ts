import { IDENTITY } from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import type { Job } from '../../../job/types.ts';
import { inFoil } from '../../../ground/scene/foil.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { drawPicture } from './drawCard.ts';
import { layPicture } from './layFace.ts';
import type { PanelArt } from '../types.ts';

/** By the id of the piece; bare pieces have none. */
export function layPanels(job: Job, size: SizePlan): Readonly<Record<string, PanelArt>> {
  return Object.fromEntries(
    size.layers.flatMap((piece) => {
      const laid = piece.picture && layPicture(job, piece.picture, boxAround(piece.bleedOutline), piece.id);
      if (!laid) return [];
      const [clip, children] = [polygon(piece.bleedOutline), drawPicture(laid)];
      const shapes: readonly Shape[] = [
        piece.foil ? inFoil(children, piece.foil.colour, clip) : { kind: 'group', transform: IDENTITY, clip, children },
      ];
      return [[piece.id, { piece, picture: laid, shapes }]];
    }),
  );
}
