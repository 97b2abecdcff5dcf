import { apply, IDENTITY, turnMap } from '../../../ground/geometry/affine.ts';
import { boxAround, mapBox } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { Job } from '../../../job/types.ts';
import { inFoil } from '../../../ground/scene/foil.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import type { LayerPiece } from '../../size/layers.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { drawPicture } from './drawCard.ts';
import type { LaidPicture } from './items.ts';
import { effectivePpi, layPicture } from './layFace.ts';
import type { PanelArt } from '../types.ts';

/** A picture in a box of its own shape, and how fine it then is. */
const inBox = ({ pictures }: Job, { id, ppi }: LaidPicture, box: Box): Pick<LaidPicture, 'box' | 'ppi'> => ({
  ...{ box, ppi: ppi === null ? null : effectivePpi(pictures[id]!, box) },
});

/** Laid out as it is seen from behind, and turned over on to its blank. */
function backOf(job: Job, piece: LayerPiece): PanelArt['back'] {
  const { back, blank, bleedOutline, pictureBox } = piece;
  if (!back) return null;
  const over = turnMap(blank, back.turn);
  const outline = bleedOutline.map((p) => apply(over, p));
  const placed = layPicture(job, back.picture, boxAround(outline), piece.id);
  if (!placed) return null;
  const laid = pictureBox ? { ...placed, ...inBox(job, placed, mapBox(over, pictureBox)) } : placed;
  const drawn: Shape = {
    ...{ kind: 'group', transform: IDENTITY, clip: polygon(outline), children: drawPicture(laid) },
  };
  return { picture: laid, shapes: [{ kind: 'group', transform: over, children: [drawn] }] };
}

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
      return [[piece.id, { piece, picture: laid, shapes, back: backOf(job, piece) }]];
    }),
  );
}
