import { corners } from '../../../../ground/geometry/box.ts';
import type { Box } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { PopUp } from '../../../../job/popUps.ts';
import type { PictureRef } from '../../../../job/types.ts';
import { ownBox, ownOutline, shapeOutline } from '../../formats/parts/shapes.ts';
import { at, flatPart } from '../parts/flatPart.ts';
import { stood } from '../parts/onSeat.ts';
import { height, outlineShape, past, tab } from '../parts/inputs.ts';
import type { Mechanism } from '../types.ts';

/** Its outline was drawn round its picture, whose shape it keeps. */
export const isTraced = ({ mechanism, shape, pathIn }: PopUp): boolean =>
  mechanism === 'figure' && shape === 'own' && pathIn === 'picture';

/** Of what is traced, as its height has it. */
export function figureWidth(popUp: PopUp): Mm {
  const box = isTraced(popUp) ? ownBox(popUp.path) : null;
  return box ? (popUp.heightMm * box.widthMm) / box.heightMm : popUp.widthMm;
}

/** Where the picture lies in a traced figure’s blank, whose outline was drawn in its pixels. */
export function tracedPicture(
  popUp: PopUp,
  { widthPx, heightPx }: Pick<PictureRef, 'widthPx' | 'heightPx'>,
): Box | null {
  const box = isTraced(popUp) ? ownBox(popUp.path) : null;
  if (!box) return null;
  const mmPerPx = popUp.heightMm / box.heightMm;
  return {
    ...{ xMm: -box.xMm * mmPerPx, yMm: -box.yMm * mmPerPx },
    ...{ widthMm: widthPx * mmPerPx, heightMm: heightPx * mmPerPx },
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
    outlineShape('Outline'),
    {
      ...{ id: 'path', label: 'Outline, as SVG path data', kind: 'path' },
      when: ({ shape, pathIn }) => shape === 'own' && pathIn === 'itsBox',
    },
  ],
  make: (popUp, { layerId, seat }) => {
    const { alongMm, pastMm, heightMm, shape, path } = popUp;
    const widthMm = figureWidth(popUp);
    const read = shape === 'own' ? ownOutline(path, widthMm, heightMm) : null;
    if (read && !read.ok)
      return {
        ok: false,
        title: 'The figure’s own outline is none',
        why: read.why,
        mends: [{ label: 'Cut it as a box', part: { shape: 'box' } }],
      };
    const outline =
      shape === 'box' ? corners({ xMm: 0, yMm: 0, widthMm, heightMm }) : shapeOutline(shape, path, widthMm, heightMm);
    const { blank } = flatPart(outline, [{ id: 'figure', name: 'Figure', outline }], []);
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
                onto: stood(on, at(widthMm / 2, heightMm), alongMm, pastMm),
              },
            ],
            ...{ shut: {}, flat: {} },
          },
        ],
        seats: {
          figure: {
            body: { partId: id, panelId: 'figure' },
            foot: at(widthMm / 2, heightMm),
            up: at(0, -1),
            name: 'Figure',
          },
        },
      },
    };
  },
};
