import { boxAround, corners } from '../../../../ground/geometry/box.ts';
import { offset } from '../../../../ground/geometry/offset.ts';
import { moved, type Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Box, Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { PopUp } from '../../../../job/popUps.ts';
import type { PictureRef } from '../../../../job/types.ts';
import { ownBox, ownOutline, shapeOutline, type ReadOutline } from '../../formats/parts/shapes.ts';
import { at, flatPart } from '../parts/flatPart.ts';
import { stood } from '../parts/onSeat.ts';
import { height, outlineShape, past, tab } from '../parts/inputs.ts';
import type { Mechanism } from '../types.ts';

/** Its outline was drawn round its picture, whose shape it keeps. */
export const isTraced = ({ mechanism, shape, pathIn }: PopUp): boolean =>
  mechanism === 'figure' && shape === 'own' && pathIn === 'picture';

/** Less than this between its rims is no figure. Our starting value. */
const LEAST_MM = 3;

/** What was traced, on the figure’s blank: with its rim it is as high as is asked, and its picture as much smaller. */
interface Traced {
  readonly outline: Polygon;
  readonly mmPerPx: Mm;
  /** The picture’s top left corner. */
  readonly picture: Point;
}

function traced({ path, heightMm, rimMm }: PopUp): Traced | null {
  const box = ownBox(path);
  const high = heightMm - 2 * rimMm;
  if (!box || high < LEAST_MM) return null;
  const mmPerPx = high / box.heightMm;
  const read = ownOutline(path, box.widthMm * mmPerPx, high);
  if (!read.ok) return null;
  const outline = offset(read.polygon, rimMm, 'round')[0]!;
  const { xMm, yMm } = boxAround(outline);
  return {
    ...{ outline: moved(outline, -xMm, -yMm), mmPerPx },
    picture: at(-box.xMm * mmPerPx - xMm, -box.yMm * mmPerPx - yMm),
  };
}

/** Where the picture lies in a traced figure’s blank, whose outline was drawn in its pixels. */
export function tracedPicture(
  popUp: PopUp,
  { widthPx, heightPx }: Pick<PictureRef, 'widthPx' | 'heightPx'>,
): Box | null {
  const found = isTraced(popUp) ? traced(popUp) : null;
  return found && { ...found.picture, widthMm: widthPx * found.mmPerPx, heightMm: heightPx * found.mmPerPx };
}

/** Its outline on its own blank, or why it has none. */
function outlineOf(popUp: PopUp): ReadOutline {
  const { shape, path, widthMm, heightMm } = popUp;
  if (isTraced(popUp)) {
    const found = traced(popUp);
    if (found) return { ok: true, polygon: found.outline };
    const read = ownOutline(path, widthMm, heightMm);
    return read.ok
      ? { ok: false, why: 'its rim leaves nothing of it; make the rim narrower, or the figure higher' }
      : read;
  }
  if (shape === 'own') return ownOutline(path, widthMm, heightMm);
  return {
    ok: true,
    polygon:
      shape === 'box' ? corners({ xMm: 0, yMm: 0, widthMm, heightMm }) : shapeOutline(shape, path, widthMm, heightMm),
  };
}

/** Flat card glued by a strip at its foot to a page or to a part: it goes wherever that goes. */
export const figure: Mechanism = {
  id: 'figure',
  name: 'Figure',
  says: 'A cut-out that stands on a step or a page by a glued strip.',
  mark: 'M6 21H34M16 21V11L20 3L24 11V21',
  sits: 'seat',
  inputs: [
    { id: 'alongMm', label: 'Right of the middle', kind: 'length' },
    past('Foot above its seat’s'),
    { id: 'widthMm', label: 'Width', kind: 'length', when: (popUp) => !isTraced(popUp) },
    ...[height('Height'), { ...tab, label: 'Glue strip' }],
    { id: 'rimMm', label: 'Card round its picture', kind: 'length', when: isTraced },
    outlineShape('Outline'),
    {
      ...{ id: 'path', label: 'Outline, as SVG path data', kind: 'path' },
      when: ({ shape, pathIn }) => shape === 'own' && pathIn === 'itsBox',
    },
  ],
  make: (popUp, { layerId, seat }) => {
    const { alongMm, pastMm } = popUp;
    const read = outlineOf(popUp);
    if (!read.ok)
      return {
        ok: false,
        title: 'The figure’s own outline is none',
        why: read.why,
        mends: [
          { label: 'Leave no rim', part: { rimMm: 0 } },
          { label: 'Cut it as a box', part: { shape: 'box' } },
        ],
      };
    const { polygon: outline } = read;
    const { blank } = flatPart(outline, [{ id: 'figure', name: 'Figure', outline }], []);
    const foot = at(blank.widthMm / 2, blank.heightMm);
    const id = `${layerId}-1`;
    const on = seat!;
    return {
      ok: true,
      made: {
        parts: [
          {
            ...{ id, name: 'Figure', blank, tabs: [], showing: [], carries: 'upright' },
            joints: [
              {
                ...{ id: `${id}-foot`, panelId: 'figure', on: on.body },
                onto: stood(on, foot, alongMm, pastMm),
              },
            ],
            ...{ shut: {}, flat: {} },
          },
        ],
        seats: {
          figure: {
            body: { partId: id, panelId: 'figure' },
            foot,
            up: at(0, -1),
            name: 'Figure',
          },
        },
      },
    };
  },
};
