import { IDENTITY } from '../geometry/affine.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Colour, Shape } from '../scene/types.ts';
import { printedOn } from './colour.ts';
import { plateOf } from '../scene/whitePlate.ts';
import { drawFace, drawSide } from './drawCard.ts';
import type { FacePlan } from './items.ts';
import type { ArtPlan } from './planArt.ts';

/**
 * One side’s art for looking at: every ink as it comes out on a coloured card, and the white under it exactly as its
 * plate holds it. Files carry the inks themselves.
 * @param stock colour of the card
 */
export function seenSide(art: ArtPlan, side: PaperSide, stock: Colour): readonly Shape[] {
  const shapes = drawSide(art, side);
  if (!art.onStock.coloured) return shapes;
  return art.onStock.white ? onWhite(shapes) : onCard(shapes, stock);
}

/** The same of one face, in its own frame, to be clipped by whoever shows it and laid on the stock’s colour. */
export function seenFace({ onStock: { coloured, white } }: Pick<ArtPlan, 'onStock'>, face: FacePlan): readonly Shape[] {
  const shapes = drawFace(face);
  if (!coloured) return shapes;
  return white ? onWhite(shapes) : [{ kind: 'group', transform: IDENTITY, blend: 'multiply', children: shapes }];
}

const WHITE: Colour = '#ffffff';
const onWhite = (shapes: readonly Shape[]): readonly Shape[] => [...plateOf(shapes, WHITE), ...shapes];

function onCard(shapes: readonly Shape[], stock: Colour): readonly Shape[] {
  const ink = (colour: Colour): Colour => printedOn(colour, stock);
  return shapes.map((shape): Shape => {
    switch (shape.kind) {
      case 'path':
        return {
          ...shape,
          ...(shape.fill ? { fill: ink(shape.fill) } : {}),
          ...(shape.gradient
            ? { gradient: { ...shape.gradient, from: ink(shape.gradient.from), to: ink(shape.gradient.to) } }
            : {}),
        };
      case 'line':
        return { ...shape, colour: ink(shape.colour) };
      case 'picture':
      case 'tiles':
        return { kind: 'group', transform: IDENTITY, blend: 'multiply', children: [shape] };
      case 'group':
        return { ...shape, children: onCard(shape.children, stock) };
      default:
        return shape;
    }
  });
}
