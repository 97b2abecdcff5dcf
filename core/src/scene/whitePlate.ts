import { boxPath } from '../geometry/path.ts';
import type { Colour, Scene, Shape } from './types.ts';

/** No colour of the screen: a plate of its own, which only files with spot colours can say. */
export const WHITE_INK: Colour = 'ink:white';

/**
 * The plate that a printer with white lays under the colours: everything that is art, solid. What is bare stock in
 * the art is bare on the plate; marks are not on it.
 * @param ink what the plate is drawn in: white itself, or black where it is a page of its own
 */
export function whitePlate({ box, symbols, shapes }: Scene, ink: Colour = WHITE_INK): Scene {
  const suffix = ink === WHITE_INK ? '-white' : '-plate';
  const plate = (all: readonly Shape[]): readonly Shape[] =>
    all.flatMap((shape): readonly Shape[] => {
      switch (shape.kind) {
        case 'path':
          return shape.role === 'art' ? [{ kind: 'path', role: 'art', path: shape.path, fill: ink }] : [];
        case 'line':
          return [{ ...shape, colour: ink }];
        case 'picture':
          return [{ kind: 'path', role: 'art', path: boxPath(shape.box), fill: ink }];
        case 'tiles':
          return [{ kind: 'path', role: 'art', path: boxPath(shape.over), fill: ink }];
        case 'label':
          return [];
        case 'group': {
          const children = plate(shape.children);
          return children.length > 0 ? [{ ...shape, children }] : [];
        }
        case 'use':
          return [{ ...shape, symbol: `${shape.symbol}${suffix}` }];
      }
    });
  return {
    box,
    symbols: Object.fromEntries(
      Object.entries(symbols).map(([id, symbol]) => [`${id}${suffix}`, { ...symbol, shapes: plate(symbol.shapes) }]),
    ),
    shapes: plate(shapes),
  };
}
