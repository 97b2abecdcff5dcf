import type { Mm } from '../../ground/length/types.ts';
import type { EnvelopeChoice } from '../../job/types.ts';
import type { EnvelopeStyleId } from '../../job/envelopeStyles.ts';
import type { Stock } from '../../workshop/types.ts';
import { insideMargins } from '../sheet/layout/edges.ts';
import { layOutOnePiece } from '../sheet/layout/layOut.ts';
import { sheetsFor } from '../sheet/pieces.ts';
import type { Sides } from '../../ground/geometry/types.ts';
import { blankOf } from './build/buildEnvelope.ts';
import { measuresOf, type Contents } from './measures.ts';
import { ENVELOPE_STYLES } from './styles/index.ts';
import type { EnvelopeStyle } from './styles/types.ts';

/** A size of sheet that lies on the shelf, in one or several stocks. */
export interface SheetSize {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly stockIds: readonly string[];
}

/** What one style comes to on one size of sheet. */
export interface StyleOnSheet {
  readonly up: number;
  readonly sheets: number;
  /** Of the sheet, 0 to 1; all of it where nothing fits. */
  readonly waste: number;
  /** The largest card of the same shape and thickness that it takes; null where none of any size. */
  readonly largest: { readonly widthMm: Mm; readonly heightMm: Mm } | null;
}

export interface StyleCompared {
  readonly styleId: EnvelopeStyleId;
  readonly name: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** In the order of the sheets. */
  readonly on: readonly StyleOnSheet[];
}

/** Sizes of sheets that stocks come in, the smallest first; ready-cut cards are no sheets. */
export function sheetSizes(stocks: readonly Stock[]): readonly SheetSize[] {
  const sizes = new Map<string, SheetSize>();
  for (const { id, sheetWidthMm, sheetHeightMm, readyCut } of stocks) {
    if (readyCut) continue;
    const [widthMm, heightMm] = [Math.min(sheetWidthMm, sheetHeightMm), Math.max(sheetWidthMm, sheetHeightMm)];
    const key = `${Math.round(widthMm * 10)}×${Math.round(heightMm * 10)}`;
    const known = sizes.get(key);
    sizes.set(key, { widthMm, heightMm, stockIds: [...(known?.stockIds ?? []), id] });
  }
  return [...sizes.values()].sort((a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm);
}

/** Halvings of the scale at which a card still fits: to a ten thousandth of it. */
const HALVINGS = 16;
const MOST_SCALE = 6;

/**
 * Every style beside every size of sheet: its blank, how many come out of one, the sheets for a run, what is left over,
 * and the largest card it could take from there.
 * @param marginsMm what is kept clear at a sheet’s edges
 */
export function compareStyles(
  contents: Contents,
  choice: EnvelopeChoice,
  {
    sheets,
    wanted,
    marginsMm,
  }: { readonly sheets: readonly SheetSize[]; readonly wanted: number; readonly marginsMm: Sides },
): readonly StyleCompared[] {
  return ENVELOPE_STYLES.map((style) => {
    const blank = sizeOf(style, contents, choice);
    return {
      ...{ styleId: style.id, name: style.name, widthMm: blank.widthMm, heightMm: blank.heightMm },
      on: sheets.map(({ widthMm, heightMm }): StyleOnSheet => {
        const { up } = layOutOnePiece({
          ...{ sheetWidthMm: widthMm, sheetHeightMm: heightMm, fromEdgesMm: insideMargins(marginsMm, 0) },
          ...{ pieceWidthMm: blank.widthMm, pieceHeightMm: blank.heightMm, gutterMm: 0 },
          mayLie: { asDrawn: true, turned: true },
        });
        return {
          ...{ up, sheets: sheetsFor(wanted, up) },
          waste: 1 - (up * blank.areaMm2) / (widthMm * heightMm),
          largest: largestOn(style, contents, choice, [
            widthMm - marginsMm.left - marginsMm.right,
            heightMm - marginsMm.top - marginsMm.bottom,
          ]),
        };
      }),
    };
  });
}

/** Square corners: rounding takes nothing off a blank’s box, and takes time. */
const sizeOf = (style: EnvelopeStyle, contents: Contents, choice: EnvelopeChoice): ReturnType<typeof blankOf> =>
  blankOf(style, measuresOf(style, contents, { ...choice, cornerMm: 0 }));

function largestOn(
  style: EnvelopeStyle,
  contents: Contents,
  choice: EnvelopeChoice,
  [roomWide, roomHigh]: readonly [Mm, Mm],
): StyleOnSheet['largest'] {
  const scaled = (by: number): Contents => ({
    ...contents,
    widthMm: contents.widthMm * by,
    heightMm: contents.heightMm * by,
  });
  // The flap follows the card, as it would if that card were made.
  const fits = (by: number): boolean => {
    const { widthMm: w, heightMm: h } = sizeOf(style, scaled(by), { ...choice, flapMm: null });
    return (w <= roomWide && h <= roomHigh) || (h <= roomWide && w <= roomHigh);
  };
  let [low, high] = [0.05, MOST_SCALE];
  if (!fits(low)) return null;
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  const { widthMm, heightMm } = scaled(low);
  return { widthMm, heightMm };
}
