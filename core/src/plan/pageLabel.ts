import type { Mm } from '../ground/length/types.ts';
import type { Shape } from '../ground/scene/types.ts';

/** A line of words on a page that is read, from its left end on its base line. */
export const pageLabel = (text: string, xMm: Mm, yMm: Mm, sizeMm: Mm): Shape => ({
  kind: 'label',
  role: 'label',
  text,
  at: { xMm, yMm },
  sizeMm,
  anchor: 'start',
});
