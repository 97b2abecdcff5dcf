import { offset } from '../../../ground/geometry/offset.ts';
import { polygon, type Path } from '../../../ground/geometry/path.ts';
import { signedArea, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Border } from '../../../job/types.ts';

/**
 * A band along the trim. One that begins at the trim is grown to the bleed’s edge, or a cut that drifts would leave
 * white beside it. Outer and inner edges wind opposite ways, so that any rule of filling leaves the middle open.
 */
export function borderBand(trim: Polygon, bleed: Polygon, { widthMm, insetMm }: Border): Path {
  const outer = insetMm > 0 ? offset(trim, -insetMm) : [bleed];
  const inner = offset(trim, -(insetMm + widthMm));
  const way = (shape: Polygon, sign: 1 | -1): Path =>
    polygon(Math.sign(signedArea(shape)) === sign ? shape : [...shape].reverse());
  return [...outer.flatMap((shape) => way(shape, 1)), ...inner.flatMap((shape) => way(shape, -1))];
}
