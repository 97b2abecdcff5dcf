import type { Mm } from '../length/types.ts';
import type { FlatBlank } from './types.ts';

/** How far an upright or a level crease is from the edge beside it, left or top. */
export const foldAtMm = ({ from, to }: Pick<FlatBlank['creases'][number], 'from' | 'to'>): Mm =>
  from.xMm === to.xMm ? from.xMm : from.yMm;
