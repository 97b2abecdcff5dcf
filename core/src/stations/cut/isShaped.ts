import { isUprightBox } from '../../ground/geometry/polygon.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { OpenCard } from '../size/openCard.ts';

/** An outline that no straight cut frees, slopes between nested pairs aside. */
export const isShaped = ({ form: { blank } }: OpenCard, { cell }: Pick<SheetPlan, 'cell'>): boolean =>
  !isUprightBox(blank.outline) && cell.slopes.length === 0;
