import { TOLERANCE_MM, type Box } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';

export const EDGES = ['left', 'right', 'top', 'bottom'] as const;
export type FaceEdge = (typeof EDGES)[number];

/** Art that ends this near to the trim is meant to reach it: half a millimetre is what any cut strays by. */
export const TOUCHES_MM = 0.5;

/** How a thing’s box lies at one edge of a face: clear of it, at it and not on to the bleed, or out to the bleed. */
export type EdgeReach = 'inside' | 'short' | 'bled';

/** How far a box reaches past each edge of a trim; below nought where it ends inside. */
export const reachOf = (box: Box, trim: Box): Readonly<Record<FaceEdge, Mm>> => ({
  left: trim.xMm - box.xMm,
  right: box.xMm + box.widthMm - trim.xMm - trim.widthMm,
  top: trim.yMm - box.yMm,
  bottom: box.yMm + box.heightMm - trim.yMm - trim.heightMm,
});

/**
 * How a thing lies at every edge of its face. One judgement for all art: what touches the trim, or crosses it, must go
 * on to the bleed’s edge, or a cut that drifts shows where it ends. A fold has no bleed, and nothing ends short there.
 */
export function edgeReaches(box: Box, trim: Box, bleed: Box): Readonly<Record<FaceEdge, EdgeReach>> {
  const [own, wanted] = [reachOf(box, trim), reachOf(bleed, trim)];
  const of = (edge: FaceEdge): EdgeReach =>
    own[edge] >= wanted[edge] - TOLERANCE_MM
      ? 'bled'
      : own[edge] < -TOUCHES_MM || wanted[edge] < TOLERANCE_MM
        ? 'inside'
        : 'short';
  return { left: of('left'), right: of('right'), top: of('top'), bottom: of('bottom') };
}

export const shortEdges = (box: Box, trim: Box, bleed: Box): readonly FaceEdge[] => {
  const reaches = edgeReaches(box, trim, bleed);
  return EDGES.filter((edge) => reaches[edge] === 'short');
};

/** The same thing with every short edge moved out to the bleed’s. */
export function grownToBleed(box: Box, trim: Box, bleed: Box): Box {
  const short = new Set(shortEdges(box, trim, bleed));
  const right = (b: Box): Mm => b.xMm + b.widthMm;
  const foot = (b: Box): Mm => b.yMm + b.heightMm;
  const x0 = short.has('left') ? bleed.xMm : box.xMm;
  const y0 = short.has('top') ? bleed.yMm : box.yMm;
  const x1 = short.has('right') ? right(bleed) : right(box);
  const y1 = short.has('bottom') ? foot(bleed) : foot(box);
  return { xMm: x0, yMm: y0, widthMm: x1 - x0, heightMm: y1 - y0 };
}
