import type { Box, Point, Sides } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { CROSSES, type Cross } from './types.ts';

export interface SheetSize {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

export interface CalibrationMarks {
  readonly crosses: Readonly<Record<Cross, Point>>;
  /** Level, from its left end. */
  readonly ruleAcross: { readonly from: Point; readonly lengthMm: Mm };
  /** Upright, from its top end. */
  readonly ruleDown: { readonly from: Point; readonly lengthMm: Mm };
}

/** Arms of a cross, and the room that its scale takes. */
export const ARM_MM = 7;
const CLEAR_MM = 3;
/** The longest that fits is used: the longer the rule, the finer the scale it tells. */
const RULES_MM = [200, 150, 100, 50, 20] as const;

/** The arrow on each side: how far to the left of the middle, and where its tip and its tail are, in shares of the sheet’s height from the middle. */
export const ARROW = { leftMm: 18, tipShare: 0.3, tailShare: 0.16, headMm: 6 } as const;

export const middleOf = ({ widthMm, heightMm }: SheetSize): Point => ({ xMm: widthMm / 2, yMm: heightMm / 2 });

/** Where everything on a calibration sheet should be, as seen from the front. */
export function calibrationMarks(sheet: SheetSize, marginsMm: Sides): CalibrationMarks {
  // As far out as a mark can be: turn and scale show most there. Even on all sides, so both faces agree.
  const inset = Math.max(marginsMm.top, marginsMm.right, marginsMm.bottom, marginsMm.left) + CLEAR_MM + ARM_MM;
  const [left, right, top, bottom] = [inset, sheet.widthMm - inset, inset, sheet.heightMm - inset];
  const centre = middleOf(sheet);
  const longest = (room: Mm): Mm => RULES_MM.find((mm) => mm <= room) ?? RULES_MM.at(-1)!;
  const across = longest(right - left);
  const down = longest(bottom - top);
  return {
    crosses: {
      topLeft: { xMm: left, yMm: top },
      topRight: { xMm: right, yMm: top },
      bottomLeft: { xMm: left, yMm: bottom },
      bottomRight: { xMm: right, yMm: bottom },
    },
    ruleAcross: { from: { xMm: centre.xMm - across / 2, yMm: centre.yMm }, lengthMm: across },
    ruleDown: { from: { xMm: centre.xMm, yMm: centre.yMm - down / 2 }, lengthMm: down },
  };
}

/** A sheet too small for four crosses that do not touch cannot be read. */
export const isCalibratable = (sheet: SheetSize, marginsMm: Sides): boolean => {
  const { crosses } = calibrationMarks(sheet, marginsMm);
  const box: Box = {
    xMm: crosses.topLeft.xMm,
    yMm: crosses.topLeft.yMm,
    widthMm: crosses.bottomRight.xMm - crosses.topLeft.xMm,
    heightMm: crosses.bottomRight.yMm - crosses.topLeft.yMm,
  };
  return Math.min(box.widthMm, box.heightMm) >= 4 * ARM_MM;
};

export const eachCross = <T>(make: (cross: Cross) => T): Readonly<Record<Cross, T>> =>
  Object.fromEntries(CROSSES.map((cross) => [cross, make(cross)])) as Record<Cross, T>;
