import type { Box } from '../../../ground/geometry/types.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { FacePlan } from '../faces/items.ts';
import type { OpenPlace } from './openPlaces.ts';

/** A picture that was drawn in another program. */
export interface DrawnPicture {
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Where it goes; no face has its shape where there is none. */
export interface DrawnPlace {
  readonly faceId: string | null;
  /** It has the shape of the face with its bleed, and so reaches past the cut. */
  readonly bled: boolean;
  /** It is of the whole open card: how it runs from that face over the others of its side. */
  readonly open: OpenPlace | null;
}

type Face = Pick<FacePlan, 'face' | 'page'>;

/** Width and height are rounded to whole pixels by whoever saved it, each by half of one at most. */
const ROUNDING_PX = 1.01;

const hasShape = ({ widthPx, heightPx }: DrawnPicture, box: Pick<Box, 'widthMm' | 'heightMm'>): boolean =>
  Math.abs((widthPx * box.heightMm) / box.widthMm - heightPx) <= ROUNDING_PX * Math.max(1, box.heightMm / box.widthMm);

/**
 * Lays pictures on the faces whose shape they have, bleed and all, or else without it. Where several faces share a shape
 * the file’s name decides, and what is left goes in the order of both. No face gets two. What has the shape of no face and
 * of the open card is laid over a whole side of it.
 */
export function facesOfPictures(
  pictures: readonly DrawnPicture[],
  faces: readonly Face[],
  opens: readonly OpenPlace[] = [],
): readonly DrawnPlace[] {
  const taken = new Set<string>();
  const places = new Map<number, DrawnPlace>();
  const lay = (named: boolean, bled: boolean): void => {
    for (const [i, picture] of pictures.entries()) {
      if (places.has(i)) continue;
      const found = faces.find(
        (one) =>
          !taken.has(one.face.id) &&
          hasShape(picture, bled ? one.page : one.face) &&
          (!named || one.face.id === namedFace(picture.name, faces)),
      );
      if (!found) continue;
      taken.add(found.face.id);
      places.set(i, { faceId: found.face.id, bled, open: null });
    }
  };
  for (const bled of [true, false]) for (const named of [true, false]) lay(named, bled);
  // A side that has a picture of a face of its own is not covered by one of all of it.
  const free = opens.filter(({ faceId, across }) => ![faceId, ...across].some((id) => taken.has(id)));
  for (const named of [true, false])
    for (const [i, picture] of pictures.entries()) {
      const side = namedSide(picture.name);
      if (places.has(i) || (side !== null) !== named) continue;
      const open = free.find(
        (one) =>
          ![...places.values()].some((place) => place.open === one) &&
          hasShape(picture, one.box) &&
          (side === null || side === one.side),
      );
      if (open) places.set(i, { faceId: open.faceId, bled: true, open });
    }
  return pictures.map((_, i) => places.get(i) ?? { faceId: null, bled: false, open: null });
}

const plain = (words: string): string => words.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** The side of the open card whose name stands in a file’s name. */
const namedSide = (fileName: string): PaperSide | null =>
  (['outside', 'inside'] as const).find((side) => plain(fileName).includes(side)) ?? null;

/** The face whose name stands in a file’s name: of “insideFront” and “front” the longer. */
function namedFace(fileName: string, faces: readonly Face[]): string | null {
  const own = plain(fileName.replace(/\.[^.]*$/, ''));
  const found = faces.flatMap(({ face: { id, name } }) =>
    [id, name].map(plain).flatMap((one) => (own.includes(one) ? [{ id, letters: one.length }] : [])),
  );
  return found.sort((a, b) => b.letters - a.letters)[0]?.id ?? null;
}
