import { corners } from '../../../../ground/geometry/box.ts';
import { at, flatPart } from '../parts/flatPart.ts';
import { height, past, tab } from '../parts/inputs.ts';
import { stood } from '../parts/onSeat.ts';
import type { Mechanism } from '../types.ts';

/** A flap with a crease of its own that lies on its page until something lifts it. */
export const lid: Mechanism = {
  id: 'lid',
  name: 'Lid',
  says: 'A flap on a page or a step, lifted by a finger or by a strap.',
  mark: 'M4 21H36M8 21H14L34 8',
  sits: 'seat',
  inputs: [
    { id: 'alongMm', label: 'Right of the middle', kind: 'length' },
    ...[past('Hinge above its seat'), { id: 'widthMm', label: 'Width', kind: 'length' } as const],
    ...[height('From hinge to edge'), { ...tab, label: 'Glue tab' }],
  ],
  make: ({ alongMm, pastMm, widthMm, heightMm, tabMm }, { layerId, seat }) => {
    const id = `${layerId}-1`;
    const on = seat!;
    const hinge = heightMm;
    const { blank } = flatPart(
      corners({ xMm: 0, yMm: 0, widthMm, heightMm: heightMm + tabMm }),
      [
        { id: 'lid', name: 'Lid', outline: corners({ xMm: 0, yMm: 0, widthMm, heightMm }) },
        { id: 'tab', name: 'Tab', outline: corners({ xMm: 0, yMm: hinge, widthMm, heightMm: tabMm }) },
      ],
      [{ id: 'hinge', from: at(0, hinge), to: at(widthMm, hinge), direction: 'valley', joins: ['lid', 'tab'] }],
    );
    return {
      ok: true,
      made: {
        parts: [
          {
            ...{ id, name: 'Lid', blank, tabs: ['tab'], showing: [], carries: 'upright' },
            joints: [
              {
                ...{ id: `${id}-tab`, panelId: 'tab', on: on.body },
                onto: stood(on, at(widthMm / 2, hinge), alongMm, pastMm),
              },
            ],
            ...{ shut: { hinge: 0 }, flat: { hinge: 0 } },
          },
        ],
        seats: {
          lid: { body: { partId: id, panelId: 'lid' }, foot: at(widthMm / 2, hinge), up: at(0, -1), name: 'Lid' },
        },
        lifts: { partId: id, creaseId: 'hinge' },
      },
    };
  },
};
