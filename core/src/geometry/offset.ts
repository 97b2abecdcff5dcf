import { differenceD, EndType, FillRule, inflatePathsD, JoinType, unionD, type PathsD } from 'clipper2-ts';
import { areaOf, FLATNESS_MM, type Polygon } from './polygon.ts';

/** Decimals of a millimetre that clipping keeps: ten nanometres. */
const DECIMALS = 5;
/** A corner sharper than about 29° is cut square, or its point would run across the sheet. */
const MITRE_LIMIT = 4;

const into = (polygons: readonly Polygon[]): PathsD =>
  polygons.map((polygon) => polygon.map(({ xMm, yMm }) => ({ x: xMm, y: yMm })));
const outOf = (paths: PathsD): readonly Polygon[] =>
  paths.map((path) => path.map(({ x, y }) => ({ xMm: x, yMm: y })) as Polygon).sort((a, b) => areaOf(b) - areaOf(a));

/**
 * An outline moved outwards (or inwards when negative) by the same distance everywhere.
 * @returns what is left, the largest first; shrinking may leave several pieces or none
 */
export function offset(polygon: Polygon, byMm: number, corners: 'mitred' | 'round' = 'mitred'): readonly Polygon[] {
  if (byMm === 0) return [polygon];
  const join = corners === 'mitred' ? JoinType.Miter : JoinType.Round;
  return outOf(inflatePathsD(into([polygon]), byMm, join, EndType.Polygon, MITRE_LIMIT, DECIMALS, FLATNESS_MM));
}

export const united = (polygons: readonly Polygon[]): readonly Polygon[] =>
  outOf(unionD(into(polygons), [], FillRule.NonZero, DECIMALS));

export const without = (from: Polygon, taken: Polygon): readonly Polygon[] =>
  outOf(differenceD(into([from]), into([taken]), FillRule.NonZero, DECIMALS));
