import { foldedOnce } from './parts/foldedOnce.ts';
import { shortFront } from './parts/inputs.ts';
import type { Format } from './types.ts';

export const sideFold: Format = {
  id: 'sideFold',
  name: 'Side fold',
  says: 'Opens like a book: the fold is on the left.',
  family: 'One panel or one fold',
  mark: 'M34 4L8 12L34 20',
  inputs: [shortFront('widthMm')],
  form: ({ widthMm, heightMm }, { shortFrontMm }) =>
    foldedOnce({
      axis: 'across',
      alongMm: widthMm,
      breadthMm: heightMm,
      shortMm: shortFrontMm,
      insides: ['Inside left', 'Inside right'],
    }),
};
