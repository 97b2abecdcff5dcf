import { IDENTITY } from '../geometry/affine.ts';
import { boxAround } from '../geometry/box.ts';
import { polygon } from '../geometry/path.ts';
import type { Job } from '../job/types.ts';
import type { Shape } from '../scene/types.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { SizePlan } from '../size/planSize.ts';
import { drawPicture } from './drawCard.ts';
import type { LaidPicture } from './items.ts';
import { layPicture } from './layFace.ts';

/** What is printed on a mat, a writing panel or an insert before it is cut, in the piece’s own frame. */
export interface PanelArt {
  readonly piece: LayerPiece;
  readonly picture: LaidPicture;
  /** Out to the bleed, and no farther. */
  readonly shapes: readonly Shape[];
}

/** By the id of the piece; bare pieces have none. */
export function layPanels(job: Job, size: SizePlan): Readonly<Record<string, PanelArt>> {
  return Object.fromEntries(
    size.layers.flatMap((piece) => {
      const laid = piece.picture && layPicture(job, piece.picture, boxAround(piece.bleedOutline), piece.id);
      if (!laid) return [];
      const shapes: readonly Shape[] = [
        { kind: 'group', transform: IDENTITY, clip: polygon(piece.bleedOutline), children: drawPicture(laid) },
      ];
      return [[piece.id, { piece, picture: laid, shapes }]];
    }),
  );
}
