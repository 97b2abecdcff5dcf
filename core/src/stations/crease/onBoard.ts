import { compose, IDENTITY, turnedLeftRight, turnedTopBottom, type Affine } from '../../ground/geometry/affine.ts';
import type { Blank, PaperSide } from '../../ground/fold/types.ts';
import type { BlankEdge } from './creaseLines.ts';

/** The named edge to the stop on the left: turned over square to it first, so that the edge stays where it is. */
export function onBoard(
  { widthMm, heightMm }: Pick<Blank, 'widthMm' | 'heightMm'>,
  edge: BlankEdge,
  side: PaperSide,
): Affine {
  const level = edge === 'left' || edge === 'right';
  const over: Affine = side === 'outside' ? IDENTITY : level ? turnedTopBottom(heightMm) : turnedLeftRight(widthMm);
  const turns: Readonly<Record<BlankEdge, Affine>> = {
    left: IDENTITY,
    right: [-1, 0, 0, -1, widthMm, heightMm],
    // A quarter turn anticlockwise brings the top edge to the left, clockwise the bottom edge.
    top: [0, -1, 1, 0, 0, widthMm],
    bottom: [0, 1, -1, 0, heightMm, 0],
  };
  return compose(turns[edge], over);
}
