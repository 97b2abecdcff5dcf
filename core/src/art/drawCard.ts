import { polygon } from '../geometry/path.ts';
import type { Box } from '../geometry/types.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Shape } from '../scene/types.ts';
import type { ArtPlan, FacePlan } from './planArt.ts';

/** What is printed on one face, in the face's own frame, cut off at the bleed's outer edge. */
export function drawFace({ art, bleedOutline, picture, blocks }: FacePlan): readonly Shape[] {
  const shapes: Shape[] = [];
  if (art.background) shapes.push({ kind: 'path', role: 'art', path: polygon(bleedOutline), fill: art.background });
  if (picture && art.picture && art.picture.fade < 1)
    shapes.push({
      kind: 'picture',
      role: 'art',
      pictureId: picture.id,
      box: picture.box,
      opacity: 1 - art.picture.fade,
      grey: art.picture.grey,
    });
  for (const block of blocks)
    for (const line of block.lines) if (line.glyphs.length > 0) shapes.push({ kind: 'line', role: 'art', ...line });
  return shapes;
}

/**
 * All art of one side of the blank, drawn as seen from the outside. The inside is seen through the
 * paper, mirrored, so that both sides share one frame; whoever shows it turns it over.
 */
export function drawSide(art: ArtPlan, side: PaperSide): readonly Shape[] {
  return art.faces
    .filter((face) => face.face.side === side)
    .map((face) => ({
      kind: 'group',
      transform: face.face.toBlank,
      clip: polygon(face.bleedOutline),
      children: drawFace(face),
    }));
}

export const hasArt = (art: ArtPlan, side: PaperSide): boolean =>
  art.faces.some((face) => face.face.side === side && drawFace(face).length > 0);

/** The blank grown by its bleed: nothing of the card is printed outside this. */
export const printedBox = (widthMm: number, heightMm: number, bleedMm: number): Box => ({
  xMm: -bleedMm,
  yMm: -bleedMm,
  widthMm: widthMm + 2 * bleedMm,
  heightMm: heightMm + 2 * bleedMm,
});
