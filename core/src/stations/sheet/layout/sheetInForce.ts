import type { Job } from '../../../job/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { Stock } from '../../../workshop/types.ts';

/** The sheet that is printed on: the stock’s own, or what it is cut down to first. A ready-cut card is not cut down. */
export const sheetInForce = (
  { sheet: { cutDown } }: Pick<Job, 'sheet'>,
  { sheetWidthMm, sheetHeightMm, readyCut }: Stock,
): { readonly widthMm: Mm; readonly heightMm: Mm } =>
  cutDown && !readyCut ? cutDown : { widthMm: sheetWidthMm, heightMm: sheetHeightMm };
