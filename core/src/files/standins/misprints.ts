import { compose, invert, turnOf, type Affine } from '../../ground/geometry/affine.ts';
import type { PaperSide } from '../../ground/fold/types.ts';
import { pageMap } from '../../stations/sheet/draw/drawSheet.ts';
import type { SheetPlan } from '../../stations/sheet/types.ts';
import { truthMaps, type PrinterTruth } from './printer.ts';

/**
 * Where a simulated printer lays what is printed on each card of a sheet: from where a point of the blank should be to
 * where it comes down, both on the blank seen from outside, once the path’s calibration has done what it can.
 */
export function misprints(
  sheet: SheetPlan,
  flipEdge: 'long' | 'short',
  truth: PrinterTruth,
): readonly Readonly<Record<PaperSide, Affine>>[] {
  const size = { widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const lands = truthMaps(truth, size, turnOf(size, flipEdge));
  const onSheet = (side: 'front' | 'back'): Affine => {
    const correction = sheet.calibration?.corrections[side];
    if (!correction) return lands[side];
    // What is corrected is the page, which of the back lies turned over.
    const page = pageMap(sheet, side);
    return compose(lands[side], compose(invert(page), compose(correction, page)));
  };
  const [front, back] = [onSheet('front'), onSheet('back')];
  return sheet.placements.map(({ toSheet }) => {
    const onBlank = (map: Affine): Affine => compose(invert(toSheet), compose(map, toSheet));
    return { outside: onBlank(front), inside: onBlank(back) };
  });
}
