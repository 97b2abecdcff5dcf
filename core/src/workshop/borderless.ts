import type { Affine } from '../ground/geometry/affine.ts';
import { commonBox, mapBox } from '../ground/geometry/box.ts';
import type { Sides } from '../ground/geometry/types.ts';
import type { Mm } from '../ground/length/types.ts';
import type { Page } from '../ground/scene/types.ts';
import type { FeedPath } from './types.ts';

/** From about this weight a sheet without a margin to be held by shifts on its way. Our starting value. */
export const BORDERLESS_SHIFTS_FROM_GSM = 200;

/**
 * What ink has to keep off each edge of a page. Where a driver enlarges and the printer leaves nothing white, ink goes on
 * past the edge, and what of a bleed lies out there falls beside the sheet: below nought by the bleed.
 */
export function inkMargins(
  { marginsMm, enlargesBy = 0 }: Pick<FeedPath, 'marginsMm' | 'enlargesBy'>,
  bleedMm: Mm,
): Sides {
  if (enlargesBy === 0) return marginsMm;
  const over = (mm: Mm): Mm => (mm === 0 ? -bleedMm : mm);
  const { top, right, bottom, left } = marginsMm;
  return { top: over(top), right: over(right), bottom: over(bottom), left: over(left) };
}

/** How far past an edge of a sheet ink falls at most: half of what the driver makes larger. */
export const spillMm = (extentMm: Mm, { enlargesBy = 0 }: Pick<FeedPath, 'enlargesBy'>): Mm =>
  (extentMm * enlargesBy) / 2;

/**
 * A page as a driver wants it: one that prints without a border enlarges whatever it is sent about the middle of the
 * sheet, so that nothing white is left at the edges, and cuts off what then lies past them. It is sent that much smaller,
 * so that a card comes out as large as it was drawn.
 * @throws RangeError for a driver that would make nothing of a page
 */
export function pageAsSent(page: Page, { enlargesBy = 0 }: Pick<FeedPath, 'enlargesBy'>): Page {
  if (!(enlargesBy > -1)) throw new RangeError(`pageAsSent: wanted a share over -1, got ${enlargesBy}`);
  if (enlargesBy === 0) return page;
  const { xMm, yMm, widthMm, heightMm } = page.scene.box;
  const scale = 1 / (1 + enlargesBy);
  const [acrossMm, downMm] = [(xMm + widthMm / 2) * (1 - scale), (yMm + heightMm / 2) * (1 - scale)];
  const transform: Affine = [scale, 0, 0, scale, acrossMm, downMm];
  return {
    scene: { ...page.scene, shapes: [{ kind: 'group', transform, children: page.scene.shapes }] },
    trimBox: mapBox(transform, page.trimBox),
    // What of a bleed is cut off with the page is no part of it.
    bleedBox: commonBox(mapBox(transform, page.bleedBox), page.scene.box) ?? page.scene.box,
  };
}
