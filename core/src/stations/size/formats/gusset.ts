import { behindOpen, form, inner, outer, strip } from './parts/strip.ts';
import { spine } from './parts/inputs.ts';
import type { Format } from './types.ts';

/** Away, toward, away: the spine’s middle goes in, so that the covers lie on each other. */
export const gusset: Format = {
  id: 'gusset',
  name: 'Gusset',
  says: 'A pleated spine: opens like a bag, shuts flat.',
  family: 'Folded twice, thick or shaped',
  mark: 'M34 5H8L15 12L8 19H34',
  inputs: [spine('Gusset', (w) => w * 0.9)],
  form: ({ widthMm, heightMm }, { spineMm }) =>
    form(
      strip(
        [
          { id: 'back', name: 'Back panel', widthMm },
          { id: 'gussetBack', name: 'Gusset, back half', widthMm: spineMm / 2 },
          { id: 'gussetFront', name: 'Gusset, front half', widthMm: spineMm / 2 },
          { id: 'front', name: 'Front panel', widthMm },
        ],
        [
          { id: 'edgeBack', direction: 'mountain' },
          { id: 'middle', direction: 'valley' },
          { id: 'edgeFront', direction: 'mountain' },
        ],
        heightMm,
      ),
      {
        steps: [
          {
            creaseIds: ['edgeBack', 'middle', 'edgeFront'],
            says: 'Pinch the gusset’s middle inwards and shut the covers on it.',
          },
        ],
        front: 'front',
        rests: 'back',
        standing: { edgeBack: 80, middle: 60, edgeFront: 80 },
        faces: [
          outer('front', 'front', 'Front', 'front'),
          inner('front', 'insideFront', 'Inside left'),
          inner('gussetFront', 'insideGussetFront', 'Inside gusset, left'),
          inner('gussetBack', 'insideGussetBack', 'Inside gusset, right'),
          inner('back', 'insideBack', 'Inside right'),
          outer('back', 'back', 'Back', 'behind'),
          behindOpen('gussetBack', 'gussetBack', 'Gusset, back half'),
          behindOpen('gussetFront', 'gussetFront', 'Gusset, front half'),
        ],
      },
    ),
};
