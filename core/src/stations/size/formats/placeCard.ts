import { foldedOnce } from './parts/foldedOnce.ts';
import type { Format } from './types.ts';

export const placeCard: Format = {
  id: 'placeCard',
  name: 'Place card',
  says: 'A small tent that is read from both sides of the table.',
  family: 'One panel or one fold',
  mark: 'M10 21L20 9L30 21M4 21H36',
  lies: true,
  inputs: [],
  form: ({ widthMm, heightMm }) =>
    // Only its two outsides are ever read.
    foldedOnce({ axis: 'down', alongMm: heightMm, breadthMm: widthMm, shortMm: 0, insides: null }),
};
