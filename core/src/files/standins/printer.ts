import {
  apply,
  compose,
  turnedOver,
  turnMap,
  turnOf,
  type Affine,
  type TurnOver,
} from '../../ground/geometry/affine.ts';
import { corners, shrink } from '../../ground/geometry/box.ts';
import { boxPath } from '../../ground/geometry/path.ts';
import type { Sides } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Page, Scene } from '../../ground/scene/types.ts';
import { aboutCentre } from '../../workshop/calibration/fitRegister.ts';
import { calibrationMarks, eachCross, middleOf, type SheetSize } from '../../workshop/calibration/marks.ts';
import type { Corrections, Miss, Readings } from '../../workshop/calibration/types.ts';

/** What a simulated printer really does; makers never see such figures of their own. */
export interface PrinterTruth {
  readonly marginsMm: Sides;
  readonly scaleAcross: number;
  readonly scaleDown: number;
  readonly front: Miss & { readonly turnDeg: number };
  /** As seen from the front of a sheet that was turned over sideways. */
  readonly back: Miss & { readonly turnDeg: number };
  /** The driver shrinks the page into its margins, as drivers like to. */
  readonly fitToPage: boolean;
}

/** A printer with faults like those of printers on kitchen tables. */
export const STAND_IN_PRINTER: PrinterTruth = {
  marginsMm: { top: 3.4, right: 3.4, bottom: 3.4, left: 3.4 },
  scaleAcross: 0.9985,
  scaleDown: 1.002,
  front: { rightMm: 0.4, lowMm: -0.3, turnDeg: 0.08 },
  back: { rightMm: 0.7, lowMm: 0.5, turnDeg: -0.15 },
  fitToPage: false,
};

/**
 * From where a point of the sheet should be to where each side prints it, both as seen from the front. A printer knows
 * nothing of sides: what it does to the back’s page is the same however the sheet was turned over.
 */
export function truthMaps(
  truth: PrinterTruth,
  sheet: SheetSize,
  turn: TurnOver = 'leftRight',
): { readonly front: Affine; readonly back: Affine } {
  const { left, right, top, bottom } = truth.marginsMm;
  const fit = truth.fitToPage
    ? Math.min((sheet.widthMm - left - right) / sheet.widthMm, (sheet.heightMm - top - bottom) / sheet.heightMm)
    : 1;
  const map = ({ rightMm, lowMm, turnDeg }: PrinterTruth['front']): Affine =>
    aboutCentre(
      middleOf(sheet),
      truth.scaleAcross * fit,
      truth.scaleDown * fit,
      (turnDeg * Math.PI) / 180,
      rightMm,
      lowMm,
    );
  const sideways = turnMap(sheet, 'leftRight');
  const over = turnMap(sheet, turn);
  const page = compose(sideways, compose(map(truth.back), sideways));
  return { front: map(truth.front), back: compose(over, compose(page, over)) };
}

/** One side as it comes out, on its own page: moved as the printer moves it, and blank in the margins. */
export function printSide(
  page: Page,
  side: 'front' | 'back',
  sheet: SheetSize,
  flipEdge: 'long' | 'short',
  truth: PrinterTruth,
): Scene {
  const { front, back } = truthMaps(truth, sheet, turnOf(sheet, flipEdge));
  const over = turnedOver(sheet, flipEdge);
  const map = side === 'front' ? front : compose(over, compose(back, over));
  const printable = shrink({ xMm: 0, yMm: 0, ...sheet }, truth.marginsMm);
  return {
    ...page.scene,
    shapes: [
      {
        kind: 'group',
        transform: [1, 0, 0, 1, 0, 0],
        clip: boxPath(printable),
        children: [{ kind: 'group', transform: map, children: page.scene.shapes }],
      },
    ],
  };
}

/** What a careful maker reads off a sheet that this printer printed, to the nearest step of their rule. */
export function readByEye(
  truth: PrinterTruth,
  sheet: SheetSize,
  marginsMm: Sides,
  stepMm: Mm,
  turn: TurnOver = 'leftRight',
): Readings {
  const marks = calibrationMarks(sheet, marginsMm);
  const { front, back } = truthMaps(truth, sheet, turn);
  const seen = (mm: Mm): Mm => Number((Math.round(mm / stepMm) * stepMm).toFixed(4));
  const length = (from: { xMm: Mm; yMm: Mm }, to: { xMm: Mm; yMm: Mm }): Mm => {
    const [a, b] = [apply(front, from), apply(front, to)];
    return Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
  };
  const { ruleAcross: ra, ruleDown: rd, crosses } = marks;
  const at = eachCross((cross) => ({ front: apply(front, crosses[cross]), back: apply(back, crosses[cross]) }));
  return {
    ruleAcrossMm: seen(length(ra.from, { ...ra.from, xMm: ra.from.xMm + ra.lengthMm })),
    ruleDownMm: seen(length(rd.from, { ...rd.from, yMm: rd.from.yMm + rd.lengthMm })),
    crosses: eachCross((cross) => ({
      rightMm: seen(at[cross].back.xMm - at[cross].front.xMm),
      lowMm: seen(at[cross].back.yMm - at[cross].front.yMm),
    })),
    edges: {
      leftToTopLeftMm: seen(at.topLeft.front.xMm),
      leftToBottomLeftMm: seen(at.bottomLeft.front.xMm),
      topToTopLeftMm: seen(at.topLeft.front.yMm),
      topToTopRightMm: seen(at.topRight.front.yMm),
    },
    arrows: 'same',
  };
}

/** The farthest that front and back land from each other at any corner of the sheet’s printable area. */
export function residueMm(
  truth: PrinterTruth,
  sheet: SheetSize,
  flipEdge: 'long' | 'short',
  corrections: Corrections | null,
): Mm {
  const { front, back } = truthMaps(truth, sheet, turnOf(sheet, flipEdge));
  const over = turnedOver(sheet, flipEdge);
  const onFront = corrections ? compose(front, corrections.front) : front;
  const onBack = corrections ? compose(back, compose(over, compose(corrections.back, over))) : back;
  return Math.max(
    ...corners(shrink({ xMm: 0, yMm: 0, ...sheet }, truth.marginsMm)).map((p) => {
      const [a, b] = [apply(onFront, p), apply(onBack, p)];
      return Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);
    }),
  );
}
