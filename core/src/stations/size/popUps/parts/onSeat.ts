import type { Affine } from '../../../../ground/geometry/affine.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { Seat } from '../types.ts';
import { at, layLine } from './flatPart.ts';

/** So far to the right of the middle of a seat’s foot and so far up from it, on the seat’s body. */
export const placeOn = ({ foot, up }: Seat, rightMm: Mm, upMm: Mm): Point =>
  at(foot.xMm + upMm * up.xMm - rightMm * up.yMm, foot.yMm + upMm * up.yMm + rightMm * up.xMm);

/** Lays a piece that is drawn upright on a seat: a point of it in its middle comes to a place of the seat. */
export const stood = (seat: Seat, from: Point, rightMm: Mm, upMm: Mm): Affine =>
  layLine({ from, along: at(0, -1) }, { to: placeOn(seat, rightMm, upMm), onto: seat.up }, false);
