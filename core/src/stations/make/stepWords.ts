import { sayMinutes } from '../../job/figures.ts';
import type { Job } from '../../job/types.ts';
import { formatSize } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { FeedPath, Workshop } from '../../workshop/types.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { MakeStep } from './types.ts';

/** What most steps neither warn of nor wait for. */
export const PLAIN = { caution: null, waitMinutes: null } as const;

/** The size to type into the driver: as the sheet is fed, short edge first. */
export const sayPaperSize = (
  { sheetWidthMm, sheetHeightMm }: Pick<SheetPlan, 'sheetWidthMm' | 'sheetHeightMm'>,
  { unit }: Workshop,
): string =>
  `Paper size ${formatSize(Math.min(sheetWidthMm, sheetHeightMm), Math.max(sheetWidthMm, sheetHeightMm), unit)} in the driver.`;

/** Between printing and the next hand on it. */
export const dryStep = ({ make }: Job, id: string): MakeStep => ({
  id,
  kind: 'dry',
  title: 'Let it dry',
  big: sayMinutes(make.dryMinutes),
  detail: 'Lay the sheets apart; nothing on top of wet ink.',
  caution: null,
  waitMinutes: make.dryMinutes,
});

/** What to choose in the driver of a way without a border, and that its enlargement is in the file. */
export const sayBorder = ({ enlargesBy = 0 }: FeedPath): string =>
  enlargesBy > 0
    ? `Borderless in the driver, enlarging by ${fixed(100 * enlargesBy, 1)} %, which the file counts already. `
    : '';
