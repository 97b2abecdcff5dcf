import { doors } from './parts/doors.ts';
import { form, inner, outer } from './parts/strip.ts';
import type { Format } from './types.ts';

export const gateFold: Format = {
  id: 'gateFold',
  name: 'Gate fold',
  says: 'Two doors that meet in the middle, or leave a gap.',
  family: 'Doors, rolls and pleats',
  mark: 'M5 20H35M5 20V9L18 6M35 20V9L22 6',
  inputs: [
    {
      id: 'gapMm',
      label: 'Gap between the doors',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm }) => [0, widthMm * 0.8],
    },
  ],
  form: ({ widthMm, heightMm }, { gapMm }) => {
    const doorMm = (widthMm - gapMm) / 2;
    const blank = doors(
      heightMm,
      [
        { id: 'doorRight', name: 'Right door', widthMm: doorMm },
        { id: 'centre', name: 'Centre', widthMm },
        { id: 'doorLeft', name: 'Left door', widthMm: doorMm },
      ],
      ['hingeRight', 'hingeLeft'],
    );
    return form(blank, {
      steps: [{ creaseIds: ['hingeRight', 'hingeLeft'], says: 'Fold both doors in until they meet.' }],
      front: 'doorLeft',
      rests: 'centre',
      standing: { hingeRight: 115, hingeLeft: 115 },
      faces: [
        outer('doorLeft', 'front', 'Left door', 'front'),
        outer('doorRight', 'frontRight', 'Right door', 'front'),
        inner('doorLeft', 'insideFront', 'Inside left'),
        inner('centre', 'insideMiddle', 'Inside middle'),
        inner('doorRight', 'insideBack', 'Inside right'),
        outer('centre', 'back', 'Back', 'behind'),
      ],
    });
  },
};
