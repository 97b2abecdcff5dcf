import { behindOpen, form, inner, outer, strip } from './parts/strip.ts';
import type { Format } from './types.ts';

/** The front door of a Z-gate, where nothing is said: a third of the card, so that the middle shows beside it. */
const DOOR_SHARE = 1 / 3;

/** One door folds over the front, the other behind the back; together they are as wide as the card. */
export const zGate: Format = {
  id: 'zGate',
  name: 'Z gate',
  says: 'A narrow door over the front, the rest folded behind: seen from above, a Z.',
  family: 'Doors, rolls and pleats',
  mark: 'M16 4L6 12H34L22 20',
  inputs: [
    {
      id: 'doorMm',
      label: 'Front door',
      says: 'Left empty, a third of the width.',
      kind: 'length',
      mayBeNull: true,
      limits: ({ widthMm }) => [widthMm * 0.1, widthMm * 0.9],
    },
  ],
  form: ({ widthMm, heightMm }, { doorMm }) => {
    const frontMm = doorMm ?? widthMm * DOOR_SHARE;
    const blank = strip(
      [
        { id: 'backDoor', name: 'Back door', widthMm: widthMm - frontMm },
        { id: 'centre', name: 'Centre', widthMm },
        { id: 'frontDoor', name: 'Front door', widthMm: frontMm },
      ],
      [
        { id: 'hingeBack', direction: 'valley' },
        { id: 'hingeFront', direction: 'mountain' },
      ],
      heightMm,
    );
    return form(blank, {
      steps: [
        { creaseIds: ['hingeBack'], says: 'Fold the wide door behind the centre.' },
        { creaseIds: ['hingeFront'], says: 'Fold the narrow door over the front.' },
      ],
      front: 'frontDoor',
      rests: 'centre',
      standing: { hingeBack: 115, hingeFront: 115 },
      faces: [
        outer('frontDoor', 'front', 'Front door', 'front'),
        inner('frontDoor', 'insideFront', 'Inside the front door'),
        inner('centre', 'insideMiddle', 'Centre'),
        inner('backDoor', 'insideBack', 'Inside the back door'),
        behindOpen('centre', 'back', 'Back'),
        behindOpen('backDoor', 'doorRight', 'Back door'),
      ],
    });
  },
};
