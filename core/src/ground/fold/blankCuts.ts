import { polygon, polyline, type Path } from '../geometry/path.ts';
import { areaOf, contains, edgesOf, signedArea, type Polygon } from '../geometry/polygon.ts';
import type { Blank, BlankCut, FlatBlank, Panel } from './types.ts';

/** What falls out when it is cut; a slit leaves all the card there is. */
export const isOpening = ({ kind }: BlankCut): boolean => kind !== 'slit';

/** As a blade follows it, in the blank’s frame. */
export const cutPath = (cut: BlankCut): Path => (isOpening(cut) ? polygon(cut.points) : polyline(cut.points));

/** The same, from its first point to where the blade stops. */
export const cutLine = (cut: BlankCut): Polygon => (isOpening(cut) ? [...cut.points, cut.points[0]!] : cut.points);

/** The card that is left of an outline, its openings turned against it, so that filling leaves them bare. */
export const cardPath = (outline: Polygon, cuts: readonly BlankCut[]): Path => [
  ...polygon(outline),
  ...cuts.filter(isOpening).flatMap(({ points }) => polygon(against(points, outline))),
];

/** Runs the other way round than the outer one. */
export const against = (inner: Polygon, outer: Polygon): Polygon =>
  Math.sign(signedArea(inner)) === Math.sign(signedArea(outer)) ? [...inner].reverse() : inner;

/** Card of one blank, mm²: what is inside its outline less its openings. */
export const cardAreaMm2 = ({ outline, cuts }: Pick<FlatBlank, 'outline' | 'cuts'>): number =>
  cuts.filter(isOpening).reduce((left, { points }) => left - areaOf(points), areaOf(outline));

/** Cuts with any part on a panel. */
export const cutsOf = ({ cuts }: Blank, { outline, box }: Panel): readonly BlankCut[] =>
  cuts.filter(({ points }) =>
    edgesOf(points).some(
      ([a, b]) =>
        contains(outline, a) ||
        contains(outline, { xMm: (a.xMm + b.xMm) / 2, yMm: (a.yMm + b.yMm) / 2 }) ||
        // A panel that lies wholly within a window.
        contains(points, { xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 }),
    ),
  );
