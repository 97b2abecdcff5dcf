import { corners } from '../../../../ground/geometry/box.ts';
import { at, flatPart } from '../parts/flatPart.ts';
import { stood } from '../parts/onSeat.ts';
import { height, past, tab } from '../parts/inputs.ts';
import type { Mechanism } from '../types.ts';

/** Flat card glued by a strip at its foot to a page or to a part: it goes wherever that goes. */
export const figure: Mechanism = {
  id: 'figure',
  name: 'Figure',
  says: 'A cut-out that stands on a step or a page by a glued strip.',
  mark: 'M6 21H34M16 21V11L20 3L24 11V21',
  sits: 'seat',
  inputs: [
    { id: 'alongMm', label: 'Right of the middle', kind: 'length', limits: [-400, 400] },
    ...[
      past('Its foot above the seat’s'),
      { id: 'widthMm', label: 'Width', kind: 'length', limits: [4, 400] } as const,
    ],
    ...[height('Height'), { ...tab, label: 'Glue strip at its foot' }],
  ],
  make: ({ alongMm, pastMm, widthMm, heightMm }, { layerId, seat }) => {
    const outline = corners({ xMm: 0, yMm: 0, widthMm, heightMm });
    const { blank } = flatPart(outline, [{ id: 'figure', name: 'Figure', outline }], []);
    const id = `${layerId}-1`;
    const on = seat!;
    return {
      ok: true,
      made: {
        parts: [
          {
            ...{ id, name: 'Figure', blank, tabs: [], showing: [], carriesPicture: true },
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
