import { IDENTITY } from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { Job } from '../../../job/types.ts';
import { inFoil } from '../../../ground/scene/foil.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { drawPicture } from './drawCard.ts';
import type { LaidPicture } from './items.ts';
import { effectivePpi, layPicture } from './layFace.ts';
import type { PanelArt } from '../types.ts';

/** A picture in a box of its own shape, and how fine it then is. */
const inBox = ({ pictures }: Job, { id, ppi }: LaidPicture, box: Box): Pick<LaidPicture, 'box' | 'ppi'> => ({
  ...{ box, ppi: ppi === null ? null : effectivePpi(pictures[id]!, box) },
});

/** By the id of the piece; bare pieces have none. */
export function layPanels(job: Job, size: SizePlan): Readonly<Record<string, PanelArt>> {
  return Object.fromEntries(
    size.layers.flatMap((piece) => {
      const { picture, pictureBox } = piece;
      const placed = picture && layPicture(job, picture, boxAround(piece.bleedOutline), piece.id);
      if (!placed) return [];
      const laid = pictureBox ? { ...placed, ...inBox(job, placed, pictureBox) } : placed;
      const [clip, children] = [polygon(piece.bleedOutline), drawPicture(laid)];
      const shapes: readonly Shape[] = [
        piece.foil ? inFoil(children, piece.foil.colour, clip) : { kind: 'group', transform: IDENTITY, clip, children },
      ];
      return [[piece.id, { piece, picture: laid, shapes }]];
    }),
  );
}
