import { contains, distanceToEdge, edgesOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import { apply } from '../../../ground/geometry/affine.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { PAGES, type PageId } from '../../../ground/linkage/types.ts';
import { layerOf, type PutTogether } from './assemble.ts';
import { cutInsOf } from './cutIns.ts';
import { HOLDS_MM, overlapMm2, SLIGHT_MM2 } from './cutPast.ts';
import { glueSpots } from './glueSpots.ts';
import type { Spread } from './spread.ts';
import type { Opening } from './types.ts';

/** What takes a place of a page: open, filled by what is moved by hand, glued on, or cut in and bent away. */
interface Taken {
  readonly layerId: string;
  readonly page: PageId;
  readonly outline: Polygon;
  readonly by: 'opening' | 'loose' | 'glue' | 'cutIn';
  /** On the outside of the card; null goes through it. */
  readonly under: boolean | null;
}

/** Two layers that want one place of a page. */
export interface InTheWay {
  readonly layerIds: readonly [string, string];
  readonly page: PageId;
}

/** Openings over each other, over glue or over what is cut in; and glue over what has to move. Each two layers once. */
export function inTheWay(together: PutTogether): readonly InTheWay[] {
  const all = takenOf(together);
  if (!all.some(({ by }) => by === 'opening')) return [];
  const found = new Map<string, InTheWay>();
  for (const [i, a] of all.entries())
    for (const b of all.slice(i + 1)) {
      if (a.layerId === b.layerId || a.page !== b.page || !quarrel(a, b)) continue;
      const key = [a.layerId, b.layerId].sort().join(' ');
      if (!found.has(key) && overlapMm2(a.outline, b.outline) > SLIGHT_MM2)
        found.set(key, { layerIds: [a.layerId, b.layerId], page: a.page });
    }
  return [...found.values()];
}

function quarrel(a: Taken, b: Taken): boolean {
  if (a.by === 'opening' || b.by === 'opening') return true;
  const isLoose = a.by === 'loose' || b.by === 'loose';
  return isLoose && (a.under === b.under || a.under === null || b.under === null);
}

function takenOf(together: PutTogether): readonly Taken[] {
  const layer = (partId: string): string => layerOf(together, partId).layerId;
  return [
    ...together.made.flatMap(({ asked: { layerId }, made: { openings = [] } }) =>
      openings.map(({ page, outline }): Taken => ({ layerId, page, outline, by: 'opening', under: null })),
    ),
    ...together.parts.flatMap(({ id, blank, joints: [{ on, onto, under = false }], isLoose }): readonly Taken[] =>
      isLoose && on.partId === null
        ? [
            {
              ...{ layerId: layer(id), page: on.panelId as PageId, by: 'loose', under },
              outline: blank.outline.map((p) => apply(onto, p)),
            },
          ]
        : [],
    ),
    ...glueSpots(together).flatMap(({ partId, on, area, under }): readonly Taken[] =>
      on.partId === null
        ? [{ layerId: layer(partId), page: on.panelId as PageId, outline: area, by: 'glue', under }]
        : [],
    ),
    // What is cut in takes of both pages.
    ...cutInsOf(together).flatMap(({ partId, region }) =>
      PAGES.map((page): Taken => ({ layerId: layer(partId), page, outline: region, by: 'cutIn', under: null })),
    ),
  ];
}

/** Openings that leave less of the page round them than holds, or go past it; none that open its edge on purpose. */
export function openPast(
  { made }: Pick<PutTogether, 'made'>,
  { outlines }: Pick<Spread, 'outlines'>,
): readonly { readonly layerId: string; readonly opening: Opening; readonly mm: Mm }[] {
  return made.flatMap(({ asked: { layerId }, made: { openings = [] } }) =>
    openings.flatMap((opening) => {
      if (opening.isAtEdge) return [];
      const page = outlines[opening.page];
      const mm = Math.max(
        ...opening.outline.map((p) => {
          const off = Math.min(...edgesOf(page).map((edge) => distanceToEdge(p, edge)));
          return HOLDS_MM + (contains(page, p) ? -off : off);
        }),
      );
      return mm > 0.01 ? [{ layerId, opening, mm }] : [];
    }),
  );
}
