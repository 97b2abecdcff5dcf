import { boxAround, corners } from '../../ground/geometry/box.ts';
import { offset } from '../../ground/geometry/offset.ts';
import { isUprightBox, type Polygon } from '../../ground/geometry/polygon.ts';
import type { Mm } from '../../ground/length/types.ts';

/** The outline moved in by the same distance everywhere; a rectangle needs no clipping library to shrink. */
export function inset(outline: Polygon, byMm: Mm): Polygon | null {
  if (!isUprightBox(outline)) return offset(outline, -byMm)[0] ?? null;
  const box = boxAround(outline);
  const [widthMm, heightMm] = [box.widthMm - 2 * byMm, box.heightMm - 2 * byMm];
  return widthMm > 0 && heightMm > 0 ? corners({ xMm: box.xMm + byMm, yMm: box.yMm + byMm, widthMm, heightMm }) : null;
}
