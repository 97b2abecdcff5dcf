import { fixed } from '../../../ground/length/rounding.ts';
import { boxAround, corners, grow, isInside } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import { isUprightBox } from '../../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Box } from '../../../ground/geometry/types.ts';
import { IDENTITY } from '../../../ground/geometry/affine.ts';
import type { Job } from '../../../job/types.ts';
import { MM_PER_INCH, type Mm } from '../../../ground/length/types.ts';
import type { Scene } from '../../../ground/scene/types.ts';
import { drawFace } from './drawCard.ts';
import { reachOf, type FaceEdge } from './edges.ts';
import type { FacePlan } from './items.ts';
import { borderBand } from './borderBand.ts';
import { layPicture } from './layFace.ts';

/** What a print house asks of a picture of one face. */
export interface PixelQuestion {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly dpi: number;
}

export type PixelFit =
  | {
      readonly ok: true;
      /** Beyond the trim on the left and on the right; the axes may differ, and are kept apart. */
      readonly bleedAcrossMm: Mm;
      readonly bleedDownMm: Mm;
      /** False when the picture ends at the trim. */
      readonly bled: boolean;
    }
  | { readonly ok: false; readonly why: string };

/** Limits that keep a picture within what a rasteriser can hold. */
const PIXELS = { least: 50, most: 12_000 } as const;
/** Dots to the inch: fewer are no print, and more are no home printer’s. */
export const PIXEL_DPI = { least: 50, most: 1200 } as const;

/** What is wrong with a question before any face is looked at, as what the field wants; null when nothing is. */
export function pixelFault({
  widthPx,
  heightPx,
  dpi,
}: PixelQuestion): { readonly field: 'widthPx' | 'heightPx' | 'dpi'; readonly why: string } | null {
  for (const [field, px] of [
    ['widthPx', widthPx],
    ['heightPx', heightPx],
  ] as const)
    if (!Number.isInteger(px) || px < PIXELS.least || px > PIXELS.most)
      return { field, why: `wants whole pixels from ${PIXELS.least} to ${PIXELS.most}; got ${px}` };
  if (!Number.isFinite(dpi) || dpi < PIXEL_DPI.least || dpi > PIXEL_DPI.most)
    return { field: 'dpi', why: `wants ${PIXEL_DPI.least} to ${PIXEL_DPI.most}; got ${dpi}` };
  return null;
}

/** More than this is another size of card, or a slip of the keys. */
const MOST_BLEED_MM = 25;

/**
 * The bleed that asked pixels leave round a face: (pixels ÷ dpi × 25.4 − trim) ÷ 2 on each axis. A picture that
 * is smaller than the card is refused, because nothing could be printed at its edges.
 */
export function fitPixels(
  trim: { readonly widthMm: Mm; readonly heightMm: Mm },
  { widthPx, heightPx, dpi }: PixelQuestion,
): PixelFit {
  const mm = (px: number): Mm => (px / dpi) * MM_PER_INCH;
  const [across, down] = [(mm(widthPx) - trim.widthMm) / 2, (mm(heightPx) - trim.heightMm) / 2];
  const dot = mm(1);
  const axes = [
    ['wide', across, widthPx, trim.widthMm],
    ['high', down, heightPx, trim.heightMm],
  ] as const;
  for (const [way, bleed, px, size] of axes) {
    // Half a dot on each side is rounding, not a smaller card.
    if (bleed < -dot / 2)
      return {
        ok: false,
        why: `${px} pixels at ${dpi} dpi are ${fixed(mm(px), 1)} mm ${way} and the face is ${fixed(size, 1)} mm, so its edges would be missing; ask for the size with bleed, or make the card smaller`,
      };
    if (bleed > MOST_BLEED_MM)
      return {
        ok: false,
        why: `${px} pixels at ${dpi} dpi are ${fixed(mm(px), 1)} mm ${way}, ${fixed(bleed * 2, 1)} mm more than the face; check the dpi and which side is which`,
      };
  }
  return {
    ok: true,
    bleedAcrossMm: Math.max(0, across),
    bleedDownMm: Math.max(0, down),
    bled: across > dot / 2 || down > dot / 2,
  };
}

const isBareAround = ({ page, bleed }: FacePlan): boolean => !isInside(page, bleed);

/** Art out to a box’s edges, but for those that are kept bare; all of a bare shape’s are. */
function artWithin(box: Box, face: FacePlan): Box {
  const { bleed, page, bleedOutline } = face;
  if (!isBareAround(face)) return boxAround([...corners(box), ...corners(bleed)]);
  if (!isUprightBox(bleedOutline)) return bleed;
  const [own, all] = [reachOf(bleed, page), reachOf(box, page)];
  const beyond = (edge: FaceEdge): Mm => (own[edge] < -TOLERANCE_MM ? own[edge] : all[edge]);
  return grow(page, { top: beyond('top'), right: beyond('right'), bottom: beyond('bottom'), left: beyond('left') });
}

/**
 * A face with art grown to the asked pixels’ edges on every side, folds too: a print house folds nothing, it is
 * sent one face at a time. The scene’s box is exactly as large as the pixels are.
 */
export function drawFaceInPixels(
  face: FacePlan,
  pictures: Job['pictures'],
  { widthPx, heightPx, dpi }: PixelQuestion,
): Scene {
  const { widthMm, heightMm } = face.face;
  const [wide, high] = [widthPx, heightPx].map((px) => (px / dpi) * MM_PER_INCH) as [Mm, Mm];
  const [across, down] = [(wide - widthMm) / 2, (high - heightMm) / 2];
  const box = grow({ xMm: 0, yMm: 0, widthMm, heightMm }, { top: down, right: across, bottom: down, left: across });
  const bleed = artWithin(box, face);
  // A shape whose edges are bare keeps its own outline.
  const outline = bleed === face.bleed ? face.bleedOutline : corners(bleed);
  const grown: FacePlan = {
    ...face,
    bleed,
    bleedOutline: outline,
    band: face.art.border ? borderBand(isBareAround(face) ? outline : face.trimOutline, outline, face.art.border) : [],
    // A picture that runs on over other faces keeps its place there.
    picture:
      face.picture && face.picture.from === face.face.id && !face.picture.placement.across?.length
        ? layPicture({ pictures }, face.picture.placement, bleed, face.face.id)
        : face.picture,
  };
  return {
    box,
    symbols: {},
    shapes: [{ kind: 'group', transform: IDENTITY, clip: polygon(outline), children: drawFace(grown) }],
  };
}
