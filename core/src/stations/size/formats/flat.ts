import { form, outer, strip } from './parts/strip.ts';
import type { Format } from './types.ts';

export const flat: Format = {
  id: 'flat',
  name: 'Flat',
  says: 'One panel, no fold: postcards, tags, notelets.',
  family: 'One panel or one fold',
  mark: 'M4 12H36',
  inputs: [],
  form: ({ widthMm, heightMm }) =>
    form(strip([{ id: 'card', name: 'Card', widthMm }], [], heightMm), {
      steps: [],
      front: 'card',
      rests: 'card',
      standing: null,
      faces: [
        outer('card', 'front', 'Front', 'front'),
        { id: 'back', name: 'Back', panelId: 'card', side: 'inside', shut: true, readFrom: 'behind' },
      ],
    }),
};
