import { apply, type Affine } from './affine.ts';
import type { Box, Point } from './types.ts';
import { corners } from './box.ts';

/** Straight pieces and cubic curves; every figure starts with a move. */
export type PathPart =
  | { readonly kind: 'move'; readonly to: Point }
  | { readonly kind: 'line'; readonly to: Point }
  | { readonly kind: 'curve'; readonly c1: Point; readonly c2: Point; readonly to: Point }
  | { readonly kind: 'close' };

export type Path = readonly PathPart[];

export const polyline = (points: readonly Point[]): Path =>
  points.map((to, i) => ({ kind: i === 0 ? 'move' : 'line', to }) as const);

export const polygon = (points: readonly Point[]): Path => [...polyline(points), { kind: 'close' }];

export const boxPath = (box: Box): Path => polygon(corners(box));

export const segment = (x1: number, y1: number, x2: number, y2: number): Path =>
  polyline([
    { xMm: x1, yMm: y1 },
    { xMm: x2, yMm: y2 },
  ]);

/** The same path where a map of the plane takes it. */
export const mapPath = (path: Path, map: Affine): Path =>
  path.map((part): PathPart => {
    if (part.kind === 'close') return part;
    const to = apply(map, part.to);
    return part.kind === 'curve' ? { ...part, c1: apply(map, part.c1), c2: apply(map, part.c2), to } : { ...part, to };
  });
