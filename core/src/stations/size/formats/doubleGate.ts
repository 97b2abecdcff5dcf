import { doors } from './parts/doors.ts';
import { form, inner, outer } from './parts/strip.ts';
import { wrapMm } from './parts/wrap.ts';
import { shorten } from './parts/inputs.ts';
import type { Format } from './types.ts';

export const doubleGate: Format = {
  id: 'doubleGate',
  name: 'Double gate',
  says: 'A gate that shuts once more down its middle.',
  family: 'Doors, rolls and pleats',
  mark: 'M8 20L20 16L32 20M8 20L17 9M32 20L23 9',
  inputs: [{ ...shorten, label: 'Doors shorter by' }],
  form: ({ widthMm, heightMm }, options, paper) => {
    // One door on each half lies inside the middle bend.
    const doorMm = widthMm - wrapMm(options, paper, 2);
    const blank = doors(
      heightMm,
      [
        { id: 'doorRight', name: 'Right door', widthMm: doorMm },
        { id: 'back', name: 'Back panel', widthMm },
        { id: 'front', name: 'Front panel', widthMm },
        { id: 'doorLeft', name: 'Left door', widthMm: doorMm },
      ],
      ['hingeRight', 'spine', 'hingeLeft'],
    );
    return form(blank, {
      steps: [
        { creaseIds: ['hingeRight', 'hingeLeft'], says: 'Fold both doors in.' },
        { creaseIds: ['spine'], says: 'Shut the card down its middle, doors inside.' },
      ],
      opens: 'inTurn',
      front: 'front',
      rests: 'back',
      standing: { hingeRight: 150, spine: 60, hingeLeft: 150 },
      faces: [
        outer('front', 'front', 'Front', 'front'),
        { id: 'doorLeft', name: 'Left door', panelId: 'doorLeft', side: 'outside', shut: 1, readFrom: 'front' },
        { id: 'doorRight', name: 'Right door', panelId: 'doorRight', side: 'outside', shut: 1, readFrom: 'front' },
        inner('doorLeft', 'inside1', 'Inside 1, far left'),
        inner('front', 'inside2', 'Inside 2'),
        inner('back', 'inside3', 'Inside 3'),
        inner('doorRight', 'inside4', 'Inside 4, far right'),
        outer('back', 'back', 'Back', 'behind'),
      ],
    });
  },
};
