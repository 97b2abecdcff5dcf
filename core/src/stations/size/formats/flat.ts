import { form, outer, strip } from './parts/strip.ts';
import { stringHole } from './parts/roundHole.ts';
import type { Format } from './types.ts';

/** From the top edge to the hole: nearer, card tears out. Our starting value. */
const HOLE_IN_MM = 5;

export const flat: Format = {
  id: 'flat',
  name: 'Flat',
  says: 'One panel, no fold: postcards, tags, notelets.',
  family: 'One panel or one fold',
  mark: 'M4 12H36',
  inputs: [
    {
      id: 'holeMm',
      label: 'Hole for a string',
      says: 'Across; nought leaves it whole.',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm, heightMm) * 0.3],
    },
  ],
  form: ({ widthMm, heightMm }, { holeMm }) =>
    form(
      strip([{ id: 'card', name: 'Card', widthMm }], [], heightMm, {
        cuts: holeMm > 0 ? [stringHole({ xMm: widthMm / 2, yMm: HOLE_IN_MM + holeMm / 2 }, holeMm)] : [],
      }),
      {
        steps: [],
        front: 'card',
        rests: 'card',
        standing: null,
        faces: [
          outer('card', 'front', 'Front', 'front'),
          { id: 'back', name: 'Back', panelId: 'card', side: 'inside', shut: true, readFrom: 'behind' },
        ],
      },
    ),
};
