import { against } from '../../../ground/fold/blankCuts.ts';
import { IDENTITY } from '../../../ground/geometry/affine.ts';
import { evenSides, grow } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { MM_PER_INCH } from '../../../ground/length/types.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { Scene, Shape } from '../../../ground/scene/types.ts';
import { drawTemplate } from '../../size/drawTemplate.ts';
import { viewOf } from '../../size/drawBlank.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { drawFace } from '../faces/drawCard.ts';
import type { PixelQuestion } from '../faces/exactPixels.ts';
import type { FacePlan } from '../faces/items.ts';
import type { ArtPlan } from '../types.ts';

/** What is on the pages: lines to draw by, nothing, or the art as it is. */
export const ELSEWHERE_SHOWS = ['guides', 'nothing', 'art'] as const;
export type ElsewhereShows = (typeof ELSEWHERE_SHOWS)[number];

/** All pictures together: what a program that draws them can hold, and a browser can fetch. */
export const MOST_PIXELS = 160e6;

/** A picture of the open card or of one face, with its bleed, to be drawn on in another program. */
export interface PixelPage {
  readonly id: string;
  /** As it is called to the maker. */
  readonly name: string;
  readonly scene: Scene;
  readonly pixels: PixelQuestion;
}

/**
 * The open card, either side up, and every face as it is read, in whole pixels that hold them with their bleed. Art is
 * of faces alone: the open card is put together of them.
 * @param dpi dots to the inch, which both axes share
 */
export function pixelPages(
  { size, art }: { readonly size: SizePlan; readonly art: Pick<ArtPlan, 'faces'> },
  { dpi, shows }: { readonly dpi: number; readonly shows: ElsewhereShows },
): readonly PixelPage[] {
  const pixels = ({ widthMm, heightMm }: Box): PixelQuestion => {
    const [widthPx, heightPx] = [widthMm, heightMm].map((mm) => Math.round((mm / MM_PER_INCH) * dpi)) as [
      number,
      number,
    ];
    return { widthPx, heightPx, dpi };
  };
  const page = (id: string, name: string, scene: Scene): PixelPage => ({ id, name, scene, pixels: pixels(scene.box) });
  const faces = art.faces.map((face) => page(face.face.id, face.face.name, faceScene(face, shows)));
  if (shows === 'art') return faces;
  const sides = (['outside', 'inside'] as const).filter((side) => size.faces.some((face) => face.side === side));
  return [
    ...sides.map((side) => page(`open-${side}`, `The open card, ${side} up`, openScene(size, side, shows))),
    ...faces,
  ];
}

function openScene(size: SizePlan, side: PaperSide, shows: ElsewhereShows): Scene {
  const { widthMm, heightMm } = size.form.blank;
  const box = grow({ xMm: 0, yMm: 0, widthMm, heightMm }, evenSides(size.bleedMm));
  const lines = shows === 'guides' ? drawTemplate(size).shapes : [];
  const children = side === 'outside' ? lines : lines.map(fromWithin);
  return { box, symbols: {}, shapes: [{ kind: 'group', transform: viewOf(size, side), children }] };
}

/** A fold away from whoever looks at the outside comes towards whoever looks at the inside. */
function fromWithin(shape: Shape): Shape {
  if (shape.kind !== 'path') return shape;
  const { role } = shape;
  if (role !== 'creaseAway' && role !== 'creaseToward') return shape;
  return { ...shape, role: role === 'creaseAway' ? 'creaseToward' : 'creaseAway' };
}

function faceScene(face: FacePlan, shows: ElsewhereShows): Scene {
  const shapes: readonly Shape[] =
    shows === 'art'
      ? [{ kind: 'group', transform: IDENTITY, clip: polygon(face.bleedOutline), children: drawFace(face) }]
      : shows === 'guides'
        ? [
            {
              kind: 'path',
              role: 'bleed',
              path: [...polygon(face.pageOutline), ...polygon(against(face.trimOutline, face.pageOutline))],
            },
            { kind: 'path', role: 'safe', path: polygon(face.safeOutline) },
            { kind: 'path', role: 'trim', path: polygon(face.trimOutline) },
          ]
        : [];
  return { box: face.page, symbols: {}, shapes };
}
