import type { PaperSide } from '../../../ground/fold/types.ts';
import { boxAround, commonBox, corners, isInside, mapBox } from '../../../ground/geometry/box.ts';
import { flatten, isUprightBox, contains, edgesOf, distanceToEdge } from '../../../ground/geometry/polygon.ts';
import type { Box, Sides } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { NamesList } from '../../../job/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { setText } from '../words/setText.ts';
import type { TypefaceBook } from '../words/typefaces.ts';
import { reachOf, TOUCHES_MM } from './edges.ts';
import { boxOf, ruleBox, type FacePlan, type LaidItem, type LaidPicture } from './items.ts';
import { filled } from './layFace.ts';

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

/** A list of names that words are set from, and what they are set in. */
export interface NamedWords {
  readonly names: NamesList | null;
  readonly book: TypefaceBook;
}

/** Where all art of a card ends, whichever row of a list the card is of. */
export function inkOnBlank(
  faces: readonly FacePlan[],
  { form: { blank } }: Pick<SizePlan, 'form'>,
  named: NamedWords,
): InkOnBlank {
  const printed = faces.map((face) => ({ face, boxes: inkBoxes(face, named) })).filter(({ boxes }) => boxes.length > 0);
  const trim: Box = { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm };
  const endsOn = (side: PaperSide): InkEnds | null => {
    const boxes = printed
      .filter(({ face }) => face.face.side === side)
      .flatMap(({ face, boxes: own }) => own.map((box) => mapBox(face.face.toBlank, box)));
    if (boxes.length === 0) return null;
    const { top, right, bottom, left } = reachOf(boxAround(boxes.flatMap(corners)), trim);
    return { top: endAt(top), right: endAt(right), bottom: endAt(bottom), left: endAt(left) };
  };
  const [outside, inside] = [endsOn('outside'), endsOn('inside')];
  const atEdge = [outside, inside].some((ends) => ends && Object.values(ends).includes('bleeds'));
  const overOutline =
    !isUprightBox(blank.outline) &&
    printed.some(({ face, boxes }) => boxes.some((box) => !isWellInside(box, face.trimOutline)));
  return { outside, inside, bleeds: atEdge || overOutline };
}

/** Art that ends at the trim is meant to reach it. */
const endAt = (reachMm: Mm): InkEnd => (reachMm >= -TOUCHES_MM ? 'bleeds' : -reachMm);

/** What of a face is printed, in boxes of its own frame, cut off where its bleed ends. */
function inkBoxes(face: FacePlan, named: NamedWords): readonly Box[] {
  const { art, bleed, picture, tiles, band, items } = face;
  const fills = art.background !== null || art.gradient || (tiles && tiles.fade < 1);
  return [
    ...(fills ? [bleed] : []),
    ...(isPrinted(picture) ? [mapBox(picture.map, picture.box)] : []),
    ...(art.border && band.length > 0 ? [boxAround(flatten(band).flat())] : []),
    ...items.flatMap((item) => inkOf(item, named)),
  ]
    .map((box) => commonBox(box, bleed))
    .filter((box) => box !== null);
}

const isPrinted = (picture: LaidPicture | null): picture is LaidPicture =>
  picture !== null && picture.placement.fade < 1;

/** What drawFace draws of a thing, and nothing where it draws nothing. */
function inkOf(item: LaidItem, { names, book }: NamedWords): readonly Box[] {
  switch (item.kind) {
    case 'text': {
      const rows =
        item.named && names ? names.rows.map((_, row) => setText(filled(item.block, names, row), book, false)) : [];
      return [item.set, ...rows].flatMap(({ ink }) => (ink ? [ink] : []));
    }
    case 'picture':
      return isPrinted(item.laid) ? [boxOf(item.object)] : [];
    case 'code':
      return item.code && item.code.modules.length > 0 ? [boxOf(item.object)] : [];
    case 'rule':
      return [ruleBox(item.object)];
    case 'ornament':
      return [boxOf(item.object)];
  }
}

/** Every corner lies within an outline, and farther from it than what touches it. */
const isWellInside = (box: Box, outline: FacePlan['trimOutline']): boolean =>
  isInside(box, boxAround(outline)) &&
  corners(box).every(
    (corner) =>
      contains(outline, corner) && edgesOf(outline).every((edge) => distanceToEdge(corner, edge) > TOUCHES_MM),
  );
