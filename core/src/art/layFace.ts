import type { Box } from '../geometry/types.ts';
import type { PicturePlacement, PictureRef } from '../job/types.ts';
import { MM_PER_INCH } from '../length/types.ts';

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
