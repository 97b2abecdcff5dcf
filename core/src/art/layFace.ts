import { invert } from '../geometry/affine.ts';
import { grow, mapBox } from '../geometry/box.ts';
import { TOLERANCE_MM, type Box, type Sides } from '../geometry/types.ts';
import type { Blank } from '../fold/types.ts';
import type { ReadFace } from '../fold/readFaces.ts';
import type { PicturePlacement, PictureRef } from '../job/types.ts';
import { MM_PER_INCH, type Mm } from '../length/types.ts';

/** A face with the bleed it must reach: outwards at the trim, not across a fold. In the face's own frame. */
export function bleedBox(face: ReadFace, blank: Blank, bleedMm: Mm): Box {
  const panel = blank.panels.find((p) => p.id === face.panelId)!.box;
  const at = (edge: number, outer: number): Mm => (Math.abs(edge - outer) < TOLERANCE_MM ? bleedMm : 0);
  const sides: Sides = {
    left: at(panel.xMm, 0),
    top: at(panel.yMm, 0),
    right: at(panel.xMm + panel.widthMm, blank.widthMm),
    bottom: at(panel.yMm + panel.heightMm, blank.heightMm),
  };
  return mapBox(invert(face.toBlank), grow(panel, sides));
}

/**
 * Where a picture lies so that it covers a box without changing its shape.
 * The scale is the larger of the two that fit a side, times the maker's zoom; the focus slides what is over.
 */
export function coverBox(
  picture: Pick<PictureRef, 'widthPx' | 'heightPx'>,
  { zoom, focusX, focusY }: PicturePlacement,
  over: Box,
): Box {
  const mmPerPx = Math.max(over.widthMm / picture.widthPx, over.heightMm / picture.heightPx) * zoom;
  const widthMm = picture.widthPx * mmPerPx;
  const heightMm = picture.heightPx * mmPerPx;
  return {
    xMm: over.xMm - (widthMm - over.widthMm) * focusX,
    yMm: over.yMm - (heightMm - over.heightMm) * focusY,
    widthMm,
    heightMm,
  };
}

/** Pixels per printed inch, once placed. */
export const effectivePpi = (picture: Pick<PictureRef, 'widthPx'>, placed: Box): number =>
  (picture.widthPx / placed.widthMm) * MM_PER_INCH;
