import { foldedOnce } from './parts/foldedOnce.ts';
import { shortFront } from './parts/inputs.ts';
import type { Format } from './types.ts';

export const tentFold: Format = {
  id: 'tentFold',
  name: 'Tent fold',
  says: 'The fold is on top: it stands on its two long feet.',
  family: 'One panel or one fold',
  mark: 'M6 21L20 4L34 21',
  lies: true,
  inputs: [shortFront('heightMm')],
  form: ({ widthMm, heightMm }, { shortFrontMm }) =>
    foldedOnce({
      axis: 'down',
      alongMm: heightMm,
      breadthMm: widthMm,
      shortMm: shortFrontMm,
      insides: ['Inside top', 'Inside bottom'],
    }),
};
