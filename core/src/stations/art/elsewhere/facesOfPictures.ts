import type { Box } from '../../../ground/geometry/types.ts';
import type { FacePlan } from '../faces/items.ts';

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
}

type Face = Pick<FacePlan, 'face' | 'page'>;

/** Width and height are rounded to whole pixels by whoever saved it, each by half of one at most. */
const ROUNDING_PX = 1.01;

const hasShape = ({ widthPx, heightPx }: DrawnPicture, box: Pick<Box, 'widthMm' | 'heightMm'>): boolean =>
  Math.abs((widthPx * box.heightMm) / box.widthMm - heightPx) <= ROUNDING_PX * Math.max(1, box.heightMm / box.widthMm);

/**
 * Lays pictures on the faces whose shape they have, bleed and all, or else without it. Where several faces share a shape
 * the file’s name decides, and what is left goes in the order of both. No face gets two.
 */
export function facesOfPictures(pictures: readonly DrawnPicture[], faces: readonly Face[]): readonly DrawnPlace[] {
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
      places.set(i, { faceId: found.face.id, bled });
    }
  };
  for (const bled of [true, false]) for (const named of [true, false]) lay(named, bled);
  return pictures.map((_, i) => places.get(i) ?? { faceId: null, bled: false });
}

const plain = (words: string): string => words.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** The face whose name stands in a file’s name: of “insideFront” and “front” the longer. */
function namedFace(fileName: string, faces: readonly Face[]): string | null {
  const own = plain(fileName.replace(/\.[^.]*$/, ''));
  const found = faces.flatMap(({ face: { id, name } }) =>
    [id, name].map(plain).flatMap((one) => (own.includes(one) ? [{ id, letters: one.length }] : [])),
  );
  return found.sort((a, b) => b.letters - a.letters)[0]?.id ?? null;
}
