import type { PaperSide } from '../../../ground/fold/types.ts';
import { boxAround, corners, isInside, mapBox } from '../../../ground/geometry/box.ts';
import { flatten, isUprightBox, contains, edgesOf, distanceToEdge } from '../../../ground/geometry/polygon.ts';
import type { Box, Sides } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { TOUCHES_MM } from './edges.ts';
import { boxOf, type FacePlan, type LaidItem } from './items.ts';

/** Where ink ends at an edge of a blank: so far inside its trim, or past it by the bleed. */
export type InkEnd = Mm | 'bleeds';
export type InkEnds = Readonly<Record<keyof Sides, InkEnd>>;

/**
 * Where ink ends on either side of a blank, which is seen from the outside with its inside through the paper; null for a
 * side that is bare.
 */
export interface InkOnBlank extends Readonly<Record<PaperSide, InkEnds | null>> {
  /** Some of it goes on past the outline, so that neighbours on a sheet must keep apart. */
  readonly bleeds: boolean;
}

/** Where all art of a card ends, with what every card of a list may carry. */
export function inkOnBlank(faces: readonly FacePlan[], { form: { blank } }: Pick<SizePlan, 'form'>): InkOnBlank {
  const printed = faces.map((face) => ({ face, boxes: inkBoxes(face) })).filter(({ boxes }) => boxes.length > 0);
  const endsOn = (side: PaperSide): InkEnds | null => {
    const boxes = printed
      .filter(({ face }) => face.face.side === side)
      .flatMap(({ face, boxes: own }) => own.map((box) => mapBox(face.face.toBlank, box)));
    if (boxes.length === 0) return null;
    const { xMm, yMm, widthMm, heightMm } = boxAround(boxes.flatMap(corners));
    return {
      top: endAt(yMm),
      right: endAt(blank.widthMm - xMm - widthMm),
      bottom: endAt(blank.heightMm - yMm - heightMm),
      left: endAt(xMm),
    };
  };
  const [outside, inside] = [endsOn('outside'), endsOn('inside')];
  const atEdge = [outside, inside].some((ends) => ends && Object.values(ends).includes('bleeds'));
  const overOutline =
    !isUprightBox(blank.outline) &&
    printed.some(({ face, boxes }) => boxes.some((box) => !isWellInside(box, face.trimOutline)));
  return { outside, inside, bleeds: atEdge || overOutline };
}

/** Art that ends at the trim is meant to reach it. */
const endAt = (insetMm: Mm): InkEnd => (insetMm <= TOUCHES_MM ? 'bleeds' : insetMm);

/** What of a face is printed, in boxes of its own frame, cut off where its bleed ends. */
function inkBoxes(face: FacePlan): readonly Box[] {
  const { art, bleed, picture, tiles, band, items } = face;
  const fills = art.background !== null || art.gradient || (tiles && tiles.fade < 1);
  return [
    ...(fills ? [bleed] : []),
    ...(picture && picture.placement.fade < 1 ? [mapBox(picture.map, picture.box)] : []),
    ...(art.border && band.length > 0 ? [boxAround(flatten(band).flat())] : []),
    ...items.flatMap(inkOf),
  ]
    .map((box) => common(box, bleed))
    .filter((box) => box !== null);
}

/** Words that every card has its own of may fill their block’s whole width. */
function inkOf(item: LaidItem): readonly Box[] {
  if (item.kind !== 'text') return [boxOf(item.object)];
  const { ink } = item.set;
  if (!ink) return [];
  return item.named ? [ink, { ...ink, xMm: item.block.leftMm, widthMm: item.block.widthMm }] : [ink];
}

function common(a: Box, b: Box): Box | null {
  const [left, top] = [Math.max(a.xMm, b.xMm), Math.max(a.yMm, b.yMm)];
  const right = Math.min(a.xMm + a.widthMm, b.xMm + b.widthMm);
  const bottom = Math.min(a.yMm + a.heightMm, b.yMm + b.heightMm);
  return right > left && bottom > top ? { xMm: left, yMm: top, widthMm: right - left, heightMm: bottom - top } : null;
}

/** Every corner lies within an outline, and farther from it than what touches it. */
const isWellInside = (box: Box, outline: FacePlan['trimOutline']): boolean =>
  isInside(box, boxAround(outline)) &&
  corners(box).every(
    (corner) =>
      contains(outline, corner) && edgesOf(outline).every((edge) => distanceToEdge(corner, edge) > TOUCHES_MM),
  );
