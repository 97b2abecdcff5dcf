import { behindOpen, form, inner, outer, strip } from './parts/strip.ts';
import { spine } from './parts/inputs.ts';
import type { Format } from './types.ts';

/** Back, spine, front: two right angles hold the covers a spine apart. */
export const spineFold: Format = {
  id: 'spineFold',
  name: 'Spine',
  says: 'Two creases side by side make room for something thick inside.',
  family: 'Folded twice, thick or shaped',
  mark: 'M34 6H10V18H34',
  inputs: [spine('Spine', (w) => w * 0.6)],
  form: ({ widthMm, heightMm }, { spineMm }) =>
    form(
      strip(
        [
          { id: 'back', name: 'Back panel', widthMm },
          { id: 'spine', name: 'Spine', widthMm: spineMm },
          { id: 'front', name: 'Front panel', widthMm },
        ],
        [
          { id: 'spineBack', direction: 'mountain', shutDeg: 90 },
          { id: 'spineFront', direction: 'mountain', shutDeg: 90 },
        ],
        heightMm,
      ),
      {
        steps: [
          { creaseIds: ['spineBack'], says: 'Fold the back to a right angle at its crease.' },
          { creaseIds: ['spineFront'], says: 'Fold the front over, keeping the spine square.' },
        ],
        front: 'front',
        rests: 'back',
        standing: { spineBack: 55, spineFront: 55 },
        faces: [
          outer('front', 'front', 'Front', 'front'),
          inner('front', 'insideFront', 'Inside left'),
          inner('spine', 'insideSpine', 'Inside spine'),
          inner('back', 'insideBack', 'Inside right'),
          outer('back', 'back', 'Back', 'behind'),
          behindOpen('spine', 'spine', 'Spine'),
        ],
      },
    ),
};
