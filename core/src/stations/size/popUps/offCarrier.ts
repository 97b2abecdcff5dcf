import { contains, distanceToEdge, edgesOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { PageId } from '../../../ground/linkage/types.ts';
import type { PutTogether } from './assemble.ts';
import { glueSpots, type GlueSpot } from './glueSpots.ts';
import type { Spread } from './spread.ts';

/** A knife’s width of glue past an edge is wiped off. Our starting value. */
const SLIGHT_MM = 0.5;

/** Glue with nothing under it: places that go past the edge of the page or the panel that carries them, by how much. */
export function offCarrier(
  together: PutTogether,
  { outlines }: Pick<Spread, 'outlines'>,
): readonly { readonly spot: GlueSpot; readonly mm: Mm }[] {
  const carrierOf = ({ partId, panelId }: GlueSpot['on']): Polygon =>
    partId === null
      ? outlines[panelId as PageId]
      : // A strap has no panels that carry; whatever else does is a part.
        together.parts.find(({ id }) => id === partId)!.blank.panels.find(({ id }) => id === panelId)!.outline;
  return glueSpots(together).flatMap((spot) => {
    const carrier = carrierOf(spot.on);
    const mm = Math.max(
      ...spot.area.map((p) =>
        contains(carrier, p) ? 0 : Math.min(...edgesOf(carrier).map((edge) => distanceToEdge(p, edge))),
      ),
    );
    return mm > SLIGHT_MM ? [{ spot, mm }] : [];
  });
}
