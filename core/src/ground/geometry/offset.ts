// By its parts: its front door brings triangles and rectangles along, which a page would load for nothing.
import { ClipType, FillRule, type PathsD } from 'clipper2-ts/dist/Core.js';
import { ClipperD } from 'clipper2-ts/dist/Engine.js';
import { ClipperOffset, EndType, JoinType } from 'clipper2-ts/dist/Offset.js';
import { areaOf, FLATNESS_MM, type Polygon } from './polygon.ts';

/** Decimals of a millimetre that clipping keeps: ten nanometres. */
const DECIMALS = 5;
const PER_MM = 10 ** DECIMALS;
/** A corner sharper than about 29° is cut square, or its point would run across the sheet. */
const MITRE_LIMIT = 4;

const into = (polygons: readonly Polygon[]): PathsD =>
  polygons.map((polygon) => polygon.map(({ xMm, yMm }) => ({ x: xMm, y: yMm })));
const outOf = (paths: PathsD, scale = 1): readonly Polygon[] =>
  paths
    .map((path) => path.map(({ x, y }) => ({ xMm: x * scale, yMm: y * scale })) as Polygon)
    .sort((a, b) => areaOf(b) - areaOf(a));

/**
 * An outline moved outwards (or inwards when negative) by the same distance everywhere.
 * @returns what is left, the largest first; shrinking may leave several pieces or none
 */
export function offset(polygon: Polygon, byMm: number, corners: 'mitred' | 'round' = 'mitred'): readonly Polygon[] {
  if (byMm === 0) return [polygon];
  const outline = polygon.map(({ xMm, yMm }) => ({ x: Math.round(xMm * PER_MM), y: Math.round(yMm * PER_MM) }));
  const mover = new ClipperOffset(MITRE_LIMIT, PER_MM * FLATNESS_MM);
  mover.addPaths([outline], corners === 'mitred' ? JoinType.Miter : JoinType.Round, EndType.Polygon);
  const moved: PathsD = [];
  mover.execute(byMm * PER_MM, moved);
  return outOf(moved, 1 / PER_MM);
}

function clipped(how: ClipType, subject: readonly Polygon[], by: readonly Polygon[]): readonly Polygon[] {
  const clipper = new ClipperD(DECIMALS);
  clipper.addSubjectPaths(into(subject));
  clipper.addClipPaths(into(by));
  const left: PathsD = [];
  clipper.execute(how, FillRule.NonZero, left);
  return outOf(left);
}

export const united = (polygons: readonly Polygon[]): readonly Polygon[] => clipped(ClipType.Union, polygons, []);

/** What lies in both, the largest first. */
export const common = (a: Polygon, b: Polygon): readonly Polygon[] => clipped(ClipType.Intersection, [a], [b]);

export const without = (from: Polygon, taken: Polygon): readonly Polygon[] =>
  clipped(ClipType.Difference, [from], [taken]);
