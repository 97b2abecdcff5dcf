import { rotationAbout, type Affine } from '../../../ground/geometry/affine.ts';
import { boxPath, polygon, type Path } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { CodeObject, Gradient } from '../../../job/types.ts';
import type { Colour, Shape } from '../../../ground/scene/types.ts';
import { codePath, type Code } from '../things/codePath.ts';
import { boxOf, isNamedItem, ruleBox, type FacePlan, type LaidItem, type LaidPicture } from './items.ts';
import type { ArtPlan } from '../types.ts';
import type { SetLine } from '../words/setText.ts';

/**
 * What is printed on one face, in the face's own frame, to be cut off at the bleed's outer edge.
 * @param part all of it, or only what every card shares
 */
export function drawFace(face: FacePlan, part: 'all' | 'shared' = 'all'): readonly Shape[] {
  const { art, bleed, bleedOutline, picture, tiles, band, items } = face;
  const shapes: Shape[] = [];
  if (art.background) shapes.push(filled(polygon(bleedOutline), art.background));
  if (art.gradient)
    shapes.push({ kind: 'path', role: 'art', path: polygon(bleedOutline), gradient: along(art.gradient, bleed) });
  if (tiles && tiles.fade < 1) {
    const { fade, ...tile } = tiles;
    shapes.push({ kind: 'tiles', role: 'art', ...tile, over: bleed, opacity: 1 - fade });
  }
  if (picture) shapes.push(...drawPicture(picture));
  if (art.border && band.length > 0) shapes.push(filled(band, art.border.colour));
  shapes.push(...(face.marks ?? []));
  for (const item of items) if (part === 'all' || !isNamedItem(item)) shapes.push(...drawItem(item));
  return shapes;
}

const filled = (path: Path, fill: Colour): Extract<Shape, { kind: 'path' }> => ({
  kind: 'path',
  role: 'art',
  path,
  fill,
});

/** From edge to edge of a box in the gradient’s direction, so that both end colours are reached in its corners. */
function along({ from, to, angleDeg }: Gradient, { xMm, yMm, widthMm, heightMm }: Box) {
  const turn = (angleDeg * Math.PI) / 180;
  const [dx, dy] = [-Math.sin(turn), Math.cos(turn)];
  const half = (Math.abs(dx) * widthMm + Math.abs(dy) * heightMm) / 2;
  const [cx, cy] = [xMm + widthMm / 2, yMm + heightMm / 2];
  return {
    from,
    to,
    start: { xMm: cx - dx * half, yMm: cy - dy * half },
    end: { xMm: cx + dx * half, yMm: cy + dy * half },
  };
}

export function drawPicture({ id, placement, box, map }: LaidPicture): readonly Shape[] {
  if (placement.fade >= 1) return [];
  const turns = placement.quarterTurns ?? 0;
  const centre = { xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 };
  const [w, h] = turns % 2 === 1 ? [box.heightMm, box.widthMm] : [box.widthMm, box.heightMm];
  const shape: Shape = {
    kind: 'picture',
    role: 'art',
    pictureId: id,
    box: turns % 2 === 1 ? { xMm: centre.xMm - w / 2, yMm: centre.yMm - h / 2, widthMm: w, heightMm: h } : box,
    opacity: 1 - placement.fade,
    tint: placement.tint ?? (placement.grey ? '#000000' : null),
  };
  const turned: Shape =
    turns === 0 ? shape : { kind: 'group', transform: rotationAbout(90 * turns, centre), children: [shape] };
  return isIdentity(map) ? [turned] : [{ kind: 'group', transform: map, children: [turned] }];
}

const isIdentity = ([a, b, c, d, e, f]: Affine): boolean =>
  a === 1 && b === 0 && c === 0 && d === 1 && e === 0 && f === 0;

function drawItem(item: LaidItem): readonly Shape[] {
  switch (item.kind) {
    case 'text':
      return item.set.lines.filter((line) => line.glyphs.length > 0).map(drawLine);
    case 'picture':
      return item.laid
        ? [
            {
              kind: 'group',
              transform: [1, 0, 0, 1, 0, 0],
              clip: boxPath(boxOf(item.object)),
              children: drawPicture(item.laid),
            },
          ]
        : [];
    case 'code':
      return item.code ? drawCode(item.code, item.object) : [];
    case 'rule':
      return [{ ...filled(boxPath(ruleBox(item.object)), item.object.colour), fine: true }];
    case 'ornament':
      return [filled(item.path, item.object.colour)];
  }
}

/** A letter of an arc is drawn upright and turned with all that belongs to it. */
export function drawLine({ turn, ...line }: SetLine): Shape {
  const shape: Shape = { kind: 'line', role: 'art', ...line };
  return turn ? { kind: 'group', transform: rotationAbout(turn.deg, turn.about), children: [shape] } : shape;
}

function drawCode(code: Code, object: CodeObject): readonly Shape[] {
  const box = boxOf(object);
  const side = Math.min(box.widthMm, box.heightMm);
  const square = {
    xMm: box.xMm + (box.widthMm - side) / 2,
    yMm: box.yMm + (box.heightMm - side) / 2,
    widthMm: side,
    heightMm: side,
  };
  return [
    ...(object.ground && code.modules.length > 0 ? [filled(boxPath(square), object.ground)] : []),
    ...(code.modules.length > 0 ? [{ ...filled(codePath(code, square), object.colour), fine: true as const }] : []),
  ];
}

/**
 * All art of one side of the blank, drawn as seen from the outside. The inside is seen through the
 * paper, mirrored, so that both sides share one frame; whoever shows it turns it over.
 */
export function drawSide(
  art: Pick<ArtPlan, 'faces'>,
  side: PaperSide,
  part: 'all' | 'shared' = 'all',
): readonly Shape[] {
  return art.faces
    .filter((face) => face.face.side === side)
    .map((face) => ({
      kind: 'group',
      transform: face.face.toBlank,
      clip: polygon(face.bleedOutline),
      children: drawFace(face, part),
    }));
}

/** True when anything is printed on a face; words of nothing but spaces are nothing. */
export const hasPrint = (face: FacePlan): boolean => drawFace(face).length > 0;

export const hasArt = (art: ArtPlan, side: PaperSide): boolean =>
  art.faces.some((face) => face.face.side === side && drawFace(face).length > 0);

/** The blank grown by its bleed: nothing of the card is printed outside this. */
export const printedBox = (widthMm: number, heightMm: number, bleedMm: number): Box => ({
  xMm: -bleedMm,
  yMm: -bleedMm,
  widthMm: widthMm + 2 * bleedMm,
  heightMm: heightMm + 2 * bleedMm,
});
