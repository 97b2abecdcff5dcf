import { IDENTITY } from '../geometry/affine.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Colour, Shape } from '../scene/types.ts';
import { printedOn } from './colour.ts';
import { drawSide } from './drawCard.ts';
import type { ArtPlan } from './planArt.ts';

/**
 * One side’s art for looking at: every ink as it comes out on a coloured card. Files carry the inks themselves.
 * @param stock colour of the card
 */
export function seenSide(art: ArtPlan, side: PaperSide, stock: Colour): readonly Shape[] {
  const shapes = drawSide(art, side);
  return art.onStock.coloured && !art.onStock.white ? onCard(shapes, stock) : shapes;
}

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
