import { corners } from '../../ground/geometry/box.ts';
import { without } from '../../ground/geometry/offset.ts';
import { areaOf, signedArea, type Polygon } from '../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';

/** Corners of a box, and its sides below, as the piece lies in front of the maker. */
const CORNERS = ['top left', 'top right', 'bottom right', 'bottom left'] as const;
export type CornerName = (typeof CORNERS)[number];
export type SideName = 'top' | 'right' | 'bottom' | 'left';

/** One mark of a cut, from a corner of the box: along its level edge, and along its upright one. */
export interface Mark {
  readonly acrossMm: Mm;
  readonly downMm: Mm;
}

/** What is cut off the box round a piece, at a corner or out of a side, wherever it is the same. */
export interface CornerCut {
  /** Every corner it is cut off, or every side it is cut out of, mirrored where that is needed. */
  readonly at: readonly (CornerName | SideName)[];
  /** From edge to edge of the box, each from the corner it is at; out of a side, from the corner that is nearer. */
  readonly marks: readonly Mark[];
  /** Arcs lie between some marks: they are followed on the template. */
  readonly isRounded: boolean;
}

/** Less than this is a sliver that no knife cuts off. */
const SLIVER_MM2 = 0.05;
/** Chords shorter than this are parts of an arc, where they turn by less than a corner does. */
const ARC_CHORD_MM = 3;
const ARC_TURN_DEG = 30;
/** Marks that agree so far are one. */
const SAME_MM = 0.02;

/**
 * What is left to cut once the upright box round a piece lies free: its corners, and notches in its sides, as marks that
 * are measured along the box’s edges. Alike ones are told once.
 * @param outline of the piece, in the box from the origin
 * @returns none for a piece that is its own box
 */
export function cornerCuts(outline: Polygon, { widthMm, heightMm }: Size): readonly CornerCut[] {
  const box: Polygon = corners({ xMm: 0, yMm: 0, widthMm, heightMm });
  const regions = without(box, outline).filter((region) => areaOf(region) > SLIVER_MM2);
  // An outline that meets its box in points alone, as a circle does, lies in what is left like a hole.
  if (regions.some((region) => signedArea(region) * signedArea(regions[0]!) < 0))
    return [{ at: CORNERS, marks: [], isRounded: true }];
  const found = regions.flatMap((region) => cutsOff(region, { widthMm, heightMm }));
  return found.reduce<readonly CornerCut[]>((told, one) => {
    const same = told.findIndex((other) => isSame(other, one));
    return same < 0
      ? [...told, one]
      : told.map((other, i) => (i === same ? { ...other, at: [...other.at, ...one.at] } : other));
  }, []);
}

interface Size {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

const near = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MM;

/** The sides of the box that a point lies on. */
const sidesAt = ({ xMm, yMm }: Point, { widthMm, heightMm }: Size): readonly SideName[] => [
  ...(near(yMm, 0) ? (['top'] as const) : []),
  ...(near(xMm, widthMm) ? (['right'] as const) : []),
  ...(near(yMm, heightMm) ? (['bottom'] as const) : []),
  ...(near(xMm, 0) ? (['left'] as const) : []),
];

/** One region beside the outline, as the cuts that free it: one for each of its lines that leaves the box and comes back. */
function cutsOff(region: Polygon, size: Size): readonly CornerCut[] {
  const onBox = region.map((from, i) => {
    const to = region[(i + 1) % region.length]!;
    return sidesAt(from, size).some((side) => sidesAt(to, size).includes(side));
  });
  return region.flatMap((from, start) => {
    if (onBox[start]! || !onBox[(start + onBox.length - 1) % onBox.length]!) return [];
    const line: Point[] = [from];
    for (let i = start; !onBox[i % region.length]!; i += 1) line.push(region[(i + 1) % region.length]!);
    return [cutAlong(line, region, size)];
  });
}

function cutAlong(line: readonly Point[], region: Polygon, size: Size): CornerCut {
  const [first, last] = [sidesAt(line[0]!, size), sidesAt(line.at(-1)!, size)];
  const { points, isRounded } = straightened(line);
  const shared = first.find((side) => last.includes(side));
  if (shared) return notch(points, shared, size, isRounded);
  const corner = CORNERS.find((name) => {
    const [upright, level] = name.split(' ') as [SideName, SideName];
    return [first, last].every((sides) => sides.includes(upright) || sides.includes(level));
  });
  // Past more corners than one: there is nothing to measure it from but its own template.
  if (!corner) return { at: CORNERS.filter((name) => touches(region, name, size)), marks: [], isRounded: true };
  const marks = points.map((p) => fromCorner(p, corner, size));
  // From the level edge to the upright one, wherever the corner is.
  const ordered = near(marks[0]!.downMm, 0) ? marks : [...marks].reverse();
  return { at: [corner], marks: ordered, isRounded };
}

const touches = (region: Polygon, corner: CornerName, size: Size): boolean =>
  region.some((p) => {
    const { acrossMm, downMm } = fromCorner(p, corner, size);
    return near(acrossMm, 0) && near(downMm, 0);
  });

/** Out of one side: marks from that of its ends which is nearer, so that mirrored ones read alike. */
function notch(points: readonly Point[], side: SideName, size: Size, isRounded: boolean): CornerCut {
  const level = side === 'top' || side === 'bottom';
  const middle = (points[0]![level ? 'xMm' : 'yMm'] + points.at(-1)![level ? 'xMm' : 'yMm']) / 2;
  const isNear = middle <= (level ? size.widthMm : size.heightMm) / 2 + SAME_MM;
  const corner: CornerName =
    side === 'top' || side === 'bottom'
      ? `${side} ${isNear ? 'left' : 'right'}`
      : `${isNear ? 'top' : 'bottom'} ${side}`;
  const marks = points.map((p) => fromCorner(p, corner, size));
  const along = level ? 'acrossMm' : 'downMm';
  const ordered = marks[0]![along] <= marks.at(-1)![along] ? marks : [...marks].reverse();
  return { at: [side], marks: ordered, isRounded };
}

function fromCorner({ xMm, yMm }: Point, corner: CornerName, { widthMm, heightMm }: Size): Mark {
  const [upright, level] = corner.split(' ') as [string, string];
  return {
    acrossMm: level === 'left' ? xMm : widthMm - xMm,
    downMm: upright === 'top' ? yMm : heightMm - yMm,
  };
}

/** Ends, and corners between straight stretches; what is drawn in short chords between them is an arc. */
function straightened(line: readonly Point[]): { readonly points: readonly Point[]; readonly isRounded: boolean } {
  const bends = line.filter((p, i) => {
    const [before, after] = [line[i - 1], line[i + 1]];
    if (!before || !after) return true;
    const cross = (p.xMm - before.xMm) * (after.yMm - p.yMm) - (p.yMm - before.yMm) * (after.xMm - p.xMm);
    const reach = Math.hypot(after.xMm - before.xMm, after.yMm - before.yMm);
    return reach < TOLERANCE_MM || Math.abs(cross) / reach > TOLERANCE_MM * 10;
  });
  const isShort = (i: number): boolean => {
    const [a, b] = [bends[i], bends[i + 1]];
    return !!a && !!b && Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm) < ARC_CHORD_MM;
  };
  const isGentle = (i: number): boolean => {
    const [a, b, c] = [bends[i - 1]!, bends[i]!, bends[i + 1]!];
    const [from, to] = [Math.atan2(b.yMm - a.yMm, b.xMm - a.xMm), Math.atan2(c.yMm - b.yMm, c.xMm - b.xMm)];
    return Math.cos(to - from) > Math.cos((ARC_TURN_DEG * Math.PI) / 180);
  };
  // An arc is two short chords or more in a row; the square end of a notch is as short, and is none.
  const inArc = bends.map((_, i) => isShort(i - 1) && isShort(i) && isGentle(i));
  return { points: bends.filter((_, i) => !inArc[i]), isRounded: inArc.includes(true) };
}

/** Of the same marks; out of sides only where both are level or both upright, since their marks are told by edge. */
function isSame(a: CornerCut, b: CornerCut): boolean {
  const kind = ({ at: [where] }: CornerCut): string =>
    where!.includes(' ') ? 'corner' : where === 'top' || where === 'bottom' ? 'level' : 'upright';
  return (
    kind(a) === kind(b) &&
    a.isRounded === b.isRounded &&
    a.marks.length === b.marks.length &&
    a.marks.every((mark, i) => near(mark.acrossMm, b.marks[i]!.acrossMm) && near(mark.downMm, b.marks[i]!.downMm))
  );
}
