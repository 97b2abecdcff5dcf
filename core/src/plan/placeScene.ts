import { apply, compose, IDENTITY, type Affine } from '../ground/geometry/affine.ts';
import { mapPath } from '../ground/geometry/path.ts';
import type { Box } from '../ground/geometry/types.ts';
import type { Scene, Shape } from '../ground/scene/types.ts';

/** A drawing within another: what its symbols are called there, and its shapes. */
export interface PlacedScene {
  readonly symbols: Scene['symbols'];
  readonly shapes: readonly Shape[];
}

/**
 * A scene as large as a box holds, in its middle. Lines keep the width that their role has, however small the drawing
 * comes out; what is art shrinks with it.
 * @param name begins the names of its symbols, so that several drawings stand on one page
 */
export function placeScene(scene: Scene, into: Box, name: string): PlacedScene {
  const { box } = scene;
  const scale = Math.min(into.widthMm / box.widthMm, into.heightMm / box.heightMm);
  const map: Affine = [
    ...([scale, 0, 0, scale] as const),
    into.xMm + (into.widthMm - box.widthMm * scale) / 2 - box.xMm * scale,
    into.yMm + (into.heightMm - box.heightMm * scale) / 2 - box.yMm * scale,
  ];
  const symbols = Object.fromEntries(
    Object.entries(scene.symbols).map(([id, symbol]) => [
      `${name}-${id}`,
      { ...symbol, shapes: symbol.shapes.map((shape) => renamed(shape, name)) },
    ]),
  );
  return { symbols, shapes: scene.shapes.flatMap((shape) => placed(renamed(shape, name), map)) };
}

const renamed = (shape: Shape, name: string): Shape => {
  if (shape.kind === 'use') return { ...shape, symbol: `${name}-${shape.symbol}` };
  return shape.kind === 'group' ? { ...shape, children: shape.children.map((child) => renamed(child, name)) } : shape;
};

/** Carried into the page, so that a pen drawn over it is not carried too. */
function placed(shape: Shape, map: Affine): readonly Shape[] {
  const scale = Math.sqrt(Math.abs(map[0] * map[3] - map[1] * map[2]));
  switch (shape.kind) {
    case 'path': {
      const { gradient } = shape;
      return [
        {
          ...shape,
          path: mapPath(shape.path, map),
          ...(gradient
            ? { gradient: { ...gradient, start: apply(map, gradient.start), end: apply(map, gradient.end) } }
            : {}),
        },
      ];
    }
    case 'label':
      return [{ ...shape, at: apply(map, shape.at), sizeMm: shape.sizeMm * scale }];
    case 'group': {
      const inner = compose(map, shape.transform);
      const { clip, blend, plate } = shape;
      const children = shape.children.flatMap((child) => placed(child, inner));
      if (!clip && !blend && !plate) return children;
      return [{ ...shape, transform: IDENTITY, ...(clip ? { clip: mapPath(clip, inner) } : {}), children }];
    }
    case 'use':
      return [{ ...shape, transform: compose(map, shape.transform) }];
    default:
      return [{ kind: 'group', transform: map, children: [shape] }];
  }
}
