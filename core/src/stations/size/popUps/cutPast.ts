import { apply, IDENTITY, invert } from '../../../ground/geometry/affine.ts';
import { clipTo, contains, distanceToEdge, edgesOf, areaOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import { common } from '../../../ground/geometry/offset.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { BodyRef, PageId } from '../../../ground/linkage/types.ts';
import type { PutTogether } from './assemble.ts';
import { cutInsOf, inCard, isCutIn, onGutter, type CutPart } from './cutIns.ts';
import { glueSpots, type GlueSpot } from './glueSpots.ts';
import type { Spread } from './spread.ts';

/** Card that holds between a slit or a hinge and an edge. Our starting value: two to three calipers of stout card hold. */
export const HOLDS_MM: Mm = 3;
const NEAR_MM = 0.01;

type Outlines = Pick<Spread, 'outlines'>;

function carrierOf({ parts }: PutTogether, { outlines }: Outlines, { partId, panelId }: BodyRef): Polygon {
  return partId === null
    ? outlines[panelId as PageId]
    : parts.find(({ id }) => id === partId)!.blank.panels.find(({ id }) => id === panelId)!.outline;
}

/** What is cut past the card that it is cut from, or leaves less of it than holds: by how much each is wrong. */
export function cutPast(
  together: PutTogether,
  spread: Outlines,
): readonly { readonly part: CutPart; readonly mm: Mm }[] {
  return together.parts.filter(isCutIn).flatMap((part) => {
    const mm = Math.max(...(['a', 'b'] as const).map((side) => pastOn(part, side, together, spread)));
    return mm > NEAR_MM ? [{ part, mm }] : [];
  });
}

/** How far the half of it that is cut from one side of its gutter comes too near to that side’s other edges. */
function pastOn(part: CutPart, side: 'a' | 'b', together: PutTogether, spread: Outlines): Mm {
  const { body, toBody } = part.cutFrom[side];
  const way = side === 'a' ? -1 : 1;
  const toGutter = onGutter(part);
  const carrier = carrierOf(together, spread, body);
  const toPlane = invert(toBody);
  const isAtGutter = (p: Point): boolean => Math.abs(apply(toPlane, p).xMm) < NEAR_MM;
  const free = edgesOf(carrier).filter(([p, q]) => !(isAtGutter(p) && isAtGutter(q)));
  const corners = part.blank.panels
    .filter(({ id }) => !part.tabs.includes(id))
    .flatMap(({ outline }) =>
      clipTo(
        outline.map((p) => apply(toGutter, p)),
        ({ xMm }) => way * xMm,
      ),
    )
    // On the gutter itself it is neither in nor out.
    .map(({ xMm, yMm }) => apply(toBody, { xMm: way * Math.max(NEAR_MM, way * xMm), yMm }));
  return Math.max(
    0,
    ...corners.map((p) => {
      const off = Math.min(...free.map((edge) => distanceToEdge(p, edge)));
      return HOLDS_MM + (contains(carrier, p) ? -off : off);
    }),
  );
}

/** Less of two areas on each other is a knife’s width. */
export const SLIGHT_MM2 = 0.5;

export const overlapMm2 = (a: Polygon, b: Polygon): number =>
  common(a, b).reduce((sum, piece) => sum + areaOf(piece), 0);

/** Two that are cut from one place, neither from the other. */
export function cutTwice(together: PutTogether): readonly (readonly [CutPart, CutPart])[] {
  const parts = together.parts.filter(isCutIn);
  const regions = new Map(cutInsOf(together).map(({ partId, region }) => [partId, region]));
  const isFrom = (child: CutPart, of: CutPart): boolean =>
    [child.cutFrom.a.body, child.cutFrom.b.body].some(({ partId }) => {
      if (partId === null) return false;
      return partId === of.id || parts.some((between) => between.id === partId && isFrom(between, of));
    });
  return parts.flatMap((a, i) =>
    parts
      .slice(i + 1)
      .filter((b) => !isFrom(b, a) && overlapMm2(regions.get(a.id)!, regions.get(b.id)!) > SLIGHT_MM2)
      .map((b) => [a, b] as const),
  );
}

/** Glue on card that is cut out of its carrier and bent away. */
export function gluedOnCut(together: PutTogether): readonly { readonly spot: GlueSpot; readonly part: CutPart }[] {
  const parts = together.parts.filter(isCutIn);
  if (parts.length === 0) return [];
  const regions = new Map(cutInsOf(together).map(({ partId, region }) => [partId, region]));
  return glueSpots(together).flatMap((spot) => {
    const { partId } = spot.on;
    const carrier = parts.find(({ id }) => id === partId);
    if (partId !== null && !carrier) return [];
    const toPages = carrier ? inCard(carrier) : IDENTITY;
    const area = spot.area.map((p) => apply(toPages, p));
    // On a cut-in step itself glue holds; on what is cut from it in turn, or from the page, it does not.
    const later = parts.slice(carrier ? parts.indexOf(carrier) + 1 : 0);
    return later.filter((part) => overlapMm2(area, regions.get(part.id)!) > SLIGHT_MM2).map((part) => ({ spot, part }));
  });
}
