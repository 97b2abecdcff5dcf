import type { Sides } from '../../../ground/geometry/types.ts';
import type { Mm, Nm } from '../../../ground/length/types.ts';

/** How a piece lies on its sheet: as it is drawn, or turned by a quarter, clockwise. */
export const LIES = ['asDrawn', 'turned'] as const;
export type Lie = (typeof LIES)[number];

export type SidesNm = Readonly<Record<keyof Sides, Nm>>;
export const EDGES = ['top', 'right', 'bottom', 'left'] as const;

/**
 * How near to each edge of the sheet a trim may come, by how its piece lies. Ink has to stay off what the printer cannot
 * reach, and card has not: where a piece’s ink ends well inside it, its trim may be the sheet’s own edge.
 */
export type FromEdges = Readonly<Record<Lie, Sides>>;

/** Each edge of a piece as it comes to lie when the piece is turned by a quarter, clockwise: its left edge is on top. */
export const turnedClockwise = <T>({ top, right, bottom, left }: Readonly<Record<keyof Sides, T>>) => ({
  top: left,
  right: top,
  bottom: right,
  left: bottom,
});

/** Ink that goes on past every trim by the bleed: all of it inside the margins, however the piece lies. */
export function insideMargins({ top, right, bottom, left }: Sides, bleedMm: Mm): FromEdges {
  const edges = { top: top + bleedMm, right: right + bleedMm, bottom: bottom + bleedMm, left: left + bleedMm };
  return { asDrawn: edges, turned: edges };
}
