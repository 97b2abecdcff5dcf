import type { Crease, FoldedForm } from '../../ground/fold/types.ts';

export const isUpright = ({ from, to }: Pick<Crease, 'from' | 'to'>): boolean =>
  Math.abs(from.xMm - to.xMm) < Math.abs(from.yMm - to.yMm);

/**
 * Which way the grain should run: along the last fold that is made. It is the spine of the shut card, and
 * where folds cross it bends the thickest pile.
 */
export function foldsUpright({ blank, steps }: FoldedForm): boolean {
  const last = steps.at(-1)?.creaseIds[0];
  const spine = blank.creases.find((c) => c.id === last);
  return spine === undefined || isUpright(spine);
}
