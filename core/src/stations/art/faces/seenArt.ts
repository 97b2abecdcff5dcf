import { IDENTITY } from '../../../ground/geometry/affine.ts';
import { polygon, type Path } from '../../../ground/geometry/path.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { Colour, Shape } from '../../../ground/scene/types.ts';
import { plateOf } from '../../../ground/scene/whitePlate.ts';
import { drawFace } from './drawCard.ts';
import { boxOf, type FacePlan } from './items.ts';
import type { ArtPlan } from '../types.ts';

/**
 * One side’s art for looking at: every ink as it comes out on a coloured card, and the white under it exactly as its
 * plate holds it. Files carry the inks themselves.
 * @param stock colour of the card
 */
export const seenSide = (art: Pick<ArtPlan, 'faces' | 'onStock'>, side: PaperSide, stock: Colour): readonly Shape[] =>
  art.faces
    .filter((face) => face.face.side === side)
    .map((face) => ({
      kind: 'group',
      transform: face.face.toBlank,
      clip: polygon(face.bleedOutline),
      children: seenFace(art, face, stock),
    }));

/** The same of one face, in its own frame, to be clipped by whoever shows it and laid on the stock’s colour. */
export function seenFace(
  { onStock: { coloured, white } }: Pick<ArtPlan, 'onStock'>,
  face: FacePlan,
  stock: Colour,
): readonly Shape[] {
  const shapes = drawFace(face);
  if (!coloured || shapes.length === 0) return shapes;
  return white ? [...plateOf(shapes, WHITE), ...shapes] : underCard(shapes, reachOf(face), stock);
}

const WHITE: Colour = '#ffffff';

/**
 * Inks take their share of the light that the card sends back, so the card’s colour is multiplied into what was drawn
 * on white. It is laid over the art, not the art over it: a group that is clipped blends with nothing outside it.
 */
function underCard(shapes: readonly Shape[], region: Path, stock: Colour): readonly Shape[] {
  const card = (fill: Colour): Shape => ({ kind: 'path', role: 'stock', path: region, fill });
  return [card(WHITE), ...shapes, { kind: 'group', transform: IDENTITY, blend: 'multiply', children: [card(stock)] }];
}

/** As far as a face’s art goes: only art that runs off the card covers what lies beside it. */
function reachOf({ art, band, tiles, picture, items, face, bleedOutline, trimOutline }: FacePlan): Path {
  const flooded = art.background !== null || Boolean(art.gradient) || tiles !== null || picture !== null;
  const over = items.some((item) => {
    const box = item.kind === 'text' ? item.set.ink : boxOf(item.object);
    if (!box) return false;
    const { xMm, yMm, widthMm, heightMm } = box;
    return xMm < 0 || yMm < 0 || xMm + widthMm > face.widthMm || yMm + heightMm > face.heightMm;
  });
  return polygon(flooded || over || band.length > 0 ? bleedOutline : trimOutline);
}
