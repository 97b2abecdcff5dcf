import { across } from '../../ground/fold/foldBlank.ts';
import type { ReadFace } from '../../ground/fold/readFaces.ts';
import type { Blank, Panel } from '../../ground/fold/types.ts';
import { apply, invert } from '../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow } from '../../ground/geometry/box.ts';
import { common, offset, without } from '../../ground/geometry/offset.ts';
import { clipTo, isUprightBox, type Polygon } from '../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Box, type Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { inset } from './inset.ts';

/** Where a face may carry art, in the face’s own frame. */
export interface FaceRegion {
  /** The box that pictures cover. */
  readonly box: Box;
  readonly outline: Polygon;
}

/** What a face is cut to, bleeds to and keeps safe, all in its own frame. */
export interface FaceRegions {
  readonly trim: Polygon;
  /** All of it that a page of the face shows: with its bleed, or to its trim where nothing bleeds. */
  readonly page: FaceRegion;
  /** Where art goes: out to the bleed, or in to where a bare edge begins. */
  readonly bleed: FaceRegion;
  readonly safe: FaceRegion | null;
}

export function regionsOf(
  face: ReadFace,
  blank: Blank,
  { bleedMm, safeMm, bareEdgeMm = 0 }: { readonly bleedMm: Mm; readonly safeMm: Mm; readonly bareEdgeMm?: Mm },
): FaceRegions {
  const back = invert(face.toBlank);
  const panel = blank.panels.find((p) => p.id === face.panelId)!;
  return {
    trim: panel.outline.map((p) => apply(back, p)),
    page: bleedRegion(face, blank, bleedMm),
    bleed: bleedRegion(face, blank, bareEdgeMm > 0 ? -bareEdgeMm : bleedMm),
    safe: safeRegion(face, blank, Math.max(safeMm, bareEdgeMm)),
  };
}

/** A face with the bleed it must reach, below nought a bare edge: outwards or inwards at the trim, not across a fold. */
function bleedRegion(face: ReadFace, blank: Blank, bleedMm: Mm): FaceRegion {
  const panel = blank.panels.find((p) => p.id === face.panelId)!;
  const back = invert(face.toBlank);
  const grown = isUprightBox(blank.outline)
    ? corners(bleedOfBox(panel.box, blank, bleedMm))
    : bleedOfOutline(panel, blank, bleedMm);
  const outline = grown.map((p) => apply(back, p));
  return { box: boxAround(outline), outline };
}

function bleedOfBox(panel: Box, blank: Blank, bleedMm: Mm): Box {
  const at = (edge: number, outer: number): Mm => (Math.abs(edge - outer) < TOLERANCE_MM ? bleedMm : 0);
  const grown = grow(panel, {
    left: at(panel.xMm, 0),
    top: at(panel.yMm, 0),
    right: at(panel.xMm + panel.widthMm, blank.widthMm),
    bottom: at(panel.yMm + panel.heightMm, blank.heightMm),
  });
  // Bare edges that meet leave nothing between them.
  return { ...grown, widthMm: Math.max(0, grown.widthMm), heightMm: Math.max(0, grown.heightMm) };
}

/**
 * The panel grown by the bleed, held back at its creases: by the crease’s whole line where the crease is
 * all the panel has there, else by the neighbour alone, so that art still bleeds beside a narrow hinge.
 */
function bleedOfOutline(panel: Panel, blank: Blank, bleedMm: Mm): Polygon {
  if (bleedMm < 0) {
    const inner = offset(blank.outline, bleedMm)[0];
    const middle = middleOf(panel);
    return (inner && common(panel.outline, inner)[0]) ?? [middle, middle, middle];
  }
  let region: Polygon = offset(panel.outline, bleedMm)[0] ?? panel.outline;
  const middle = middleOf(panel);
  for (const crease of blank.creases) {
    if (!crease.joins.includes(panel.id)) continue;
    const [dx, dy] = [crease.to.xMm - crease.from.xMm, crease.to.yMm - crease.from.yMm];
    const length = Math.hypot(dx, dy);
    const off = (p: Point): Mm => ((p.xMm - crease.from.xMm) * dy - (p.yMm - crease.from.yMm) * dx) / length;
    const along = (p: Point): Mm => ((p.xMm - crease.from.xMm) * dx + (p.yMm - crease.from.yMm) * dy) / length;
    const onLine = panel.outline.filter((p) => Math.abs(off(p)) < NEAR_MM).map(along);
    const own = Math.max(...onLine) - Math.min(...onLine);
    if (own <= length + NEAR_MM) {
      const side = Math.sign(off(middle));
      region = clipTo(region, (p) => side * off(p));
    } else {
      const other = blank.panels.find((p) => p.id === across(crease, panel.id))!;
      region = without(region, other.outline)[0] ?? region;
    }
  }
  return region;
}

/** Outlines that were clipped agree with their creases to this much. */
const NEAR_MM = 1e-3;
const middleOf = ({ box }: Panel): Point => ({
  xMm: box.xMm + box.widthMm / 2,
  yMm: box.yMm + box.heightMm / 2,
});

/** The whole blank with its bleed, outside up. */
export const blankBleed = ({ outline, widthMm, heightMm }: Blank, bleedMm: Mm): Polygon =>
  isUprightBox(outline)
    ? corners(grow({ xMm: 0, yMm: 0, widthMm, heightMm }, evenSides(bleedMm)))
    : (offset(outline, bleedMm)[0] ?? outline);

/** The inset that nothing important may cross, from every edge of the face, its folds too; null when none is left. */
function safeRegion(face: ReadFace, blank: Blank, safeMm: Mm): FaceRegion | null {
  const panel = blank.panels.find((p) => p.id === face.panelId)!;
  const left = inset(panel.outline, safeMm);
  if (!left) return null;
  const back = invert(face.toBlank);
  const outline = left.map((p) => apply(back, p));
  return { box: boxAround(outline), outline };
}
