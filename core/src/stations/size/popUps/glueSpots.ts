import type { Box } from '../../../ground/geometry/types.ts';
import { apply } from '../../../ground/geometry/affine.ts';
import { clipTo, edgesOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { bodyKey, type BodyRef } from '../../../ground/linkage/types.ts';
import type { PopUpBand, PopUpPart } from './types.ts';
import type { PutTogether } from './assemble.ts';

/** Where something is glued to something: an area of the carrier’s blank, numbered in the order of the work. */
export interface GlueSpot {
  readonly number: number;
  readonly partId: string;
  readonly panelId: string;
  readonly on: BodyRef;
  /** On the carrier’s blank. */
  readonly area: Polygon;
  /** Where it lies on the part’s own blank. */
  readonly own: Polygon;
  /** On the side of the carrier that does not show. */
  readonly under: boolean;
}

/** Every place that is glued, in the order in which pieces carry each other. */
export function glueSpots({ made }: PutTogether): readonly GlueSpot[] {
  const spots = made.flatMap(({ asked, made: { parts, bands = [], fans = [] } }) => [
    // What is cut in hangs on the card by its hinges, and what is moved by hand on nothing.
    ...parts
      .filter(({ cutFrom, isLoose }) => !cutFrom && !isLoose)
      .flatMap((part) =>
        part.joints.map(({ panelId, on, onto, under = false }) => {
          const own = gluedOf(part, panelId, asked.popUp.tabMm);
          return {
            ...{ partId: part.id, panelId, on, own, under },
            area: own.map((p) => apply(onto, p)),
          };
        }),
      ),
    ...bands.flatMap((band) => bandSpots(band, asked.popUp.tabMm)),
    ...fans.flatMap(({ id, gutter, alongMm, pleatMm, lengthMm, pleats, blank }) => {
      const isHalf = pleats > blank.panels.length;
      return (['a', 'b'] as const).map((side) => {
        const [top, way] = [alongMm - pleatMm / 2, side === 'a' ? -1 : 1];
        const glued = [
          { xMm: 0, yMm: top },
          { xMm: way * lengthMm, yMm: top },
          { xMm: way * lengthMm, yMm: top + pleatMm },
          { xMm: 0, yMm: top + pleatMm },
        ];
        const { id: panelId, box } = isHalf || side === 'a' ? blank.panels[0]! : blank.panels.at(-1)!;
        // Folded in half, the one pleat that is outermost lies on both pages.
        const own = pleatFrom(box, !isHalf ? 'whole' : side === 'a' ? 'upper' : 'lower');
        return {
          ...{ partId: id, panelId, on: gutter[side].body, own, under: false },
          area: glued.map((p) => apply(gutter[side].toBody, p)),
        };
      });
    }),
  ]);
  return spots.map((spot, i) => ({ number: i + 1, ...spot }));
}

/** A pleat, or the half of it that is glued, from its end at the fold: the corners in the order of those of its place. */
function pleatFrom({ xMm, yMm, widthMm, heightMm }: Box, part: 'whole' | 'upper' | 'lower'): Polygon {
  const [fold, rim] =
    part === 'whole' ? [yMm + heightMm, yMm] : [yMm + heightMm / 2, part === 'upper' ? yMm : yMm + heightMm];
  return [
    { xMm, yMm: fold },
    { xMm, yMm: rim },
    { xMm: xMm + widthMm, yMm: rim },
    { xMm: xMm + widthMm, yMm: fold },
  ];
}

/** A tab is glued whole; of a piece without one a strip along its foot. */
function gluedOf({ blank, tabs }: PopUpPart, panelId: string, stripMm: Mm): Polygon {
  const panel = blank.panels.find(({ id }) => id === panelId)!;
  if (tabs.includes(panelId) || blank.panels.length > 1) return panel.outline;
  const { yMm, heightMm } = panel.box;
  const top = yMm + Math.max(0, heightMm - stripMm);
  return clipTo(panel.outline, (p) => p.yMm - top);
}

/** As long as its tab along what is up there, and as wide as the strap across it. */
function bandSpots({ id, from, to, widthMm, blank, ups }: PopUpBand, tabMm: Mm) {
  return [
    { end: from, panel: blank.panels[0]!, up: ups[0] },
    { end: to, panel: blank.panels.at(-1)!, up: ups[1] },
  ].map(({ end: { body, at }, panel, up }) => {
    const corner = (along: -1 | 1, aside: -1 | 1) => ({
      xMm: at.xMm + (along * up.xMm * tabMm - aside * up.yMm * widthMm) / 2,
      yMm: at.yMm + (along * up.yMm * tabMm + aside * up.xMm * widthMm) / 2,
    });
    return {
      ...{ partId: id, panelId: panel.id, on: body, own: panel.outline, under: false },
      area: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
    };
  });
}

/** Two convex areas lie on each other by more than a brush of glue. Source: the theorem of separating axes. */
const OVERLAP_MM = 0.5;

export function shared(spots: readonly GlueSpot[]): readonly (readonly [GlueSpot, GlueSpot])[] {
  return spots.flatMap((a, i) =>
    spots
      .slice(i + 1)
      .filter(
        (b) =>
          a.partId !== b.partId &&
          a.under === b.under &&
          bodyKey(a.on) === bodyKey(b.on) &&
          overlapMm(a.area, b.area) > OVERLAP_MM,
      )
      .map((b) => [a, b] as const),
  );
}

function overlapMm(a: Polygon, b: Polygon): Mm {
  let least = Infinity;
  for (const [p, q] of [...edgesOf(a), ...edgesOf(b)]) {
    const long = Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
    if (long < 1e-9) continue;
    const [nx, ny] = [(q.yMm - p.yMm) / long, (p.xMm - q.xMm) / long];
    const reach = (polygon: Polygon): readonly [Mm, Mm] => {
      const on = polygon.map(({ xMm, yMm }) => xMm * nx + yMm * ny);
      return [Math.min(...on), Math.max(...on)];
    };
    const [[a0, a1], [b0, b1]] = [reach(a), reach(b)];
    least = Math.min(least, Math.min(a1, b1) - Math.max(a0, b0));
  }
  return least;
}
