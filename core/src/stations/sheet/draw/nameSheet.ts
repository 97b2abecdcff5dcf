import { drawNamed } from '../../art/names/namedArt.ts';
import { cardRows, namesInUse, rowOfCard } from '../../../job/namesList.ts';
import type { TypefaceBook } from '../../art/words/typefaces.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { Job } from '../../../job/types.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { NamedSheet, SheetPlan } from '../types.ts';

/**
 * The card at a place of a sheet when piles are cut apart and laid on each other: the first place’s pile holds the
 * first cards of the list, one a sheet, the next place’s pile goes on from there.
 */
export const cardAt = (place: number, sheetNumber: number, sheets: number): number => place * sheets + sheetNumber - 1;

/** The list of a job, and the sheet whose cards carry it. */
interface NamesContext {
  readonly job: Job;
  readonly size: SizePlan;
  readonly sheet: Pick<SheetPlan, 'placements' | 'sheets'>;
  readonly typefaces: TypefaceBook;
  /** Counted from one; one beyond the last is the last. */
  readonly sheetNumber: number;
}
interface NamesOptions {
  /** Those that are looked at or written. */
  readonly sides?: readonly PaperSide[];
  /** Files with fonts need none, and most of the time goes into them. */
  readonly outlines?: boolean;
}

/** Names for one sheet in cutting-stack order, so that piles come off the trimmer in the order of the list. */
export function nameSheet(
  { job, size, sheet: { placements, sheets }, typefaces, sheetNumber }: NamesContext,
  { sides = ['outside', 'inside'], outlines = true }: NamesOptions = {},
): NamedSheet | null {
  const names = namesInUse(job);
  if (!names) return null;
  const shown = Math.min(sheetNumber, Math.max(1, sheets));
  const made = cardRows(names).length;
  const places = placements.map((_, place) => cardAt(place, shown, sheets));
  const cards = places.map((card) => (card < made ? card : null));
  const drawn = (side: PaperSide): readonly (readonly Shape[])[] =>
    !sides.includes(side)
      ? []
      : places.map((card) =>
          drawNamed(job, size, { side, names, row: rowOfCard(names, card), book: typefaces, outlines }),
        );
  return { sheetNumber: shown, cards, shapes: { outside: drawn('outside'), inside: drawn('inside') } };
}

/** Pieces on a sheet, as far as it matters where they lie. */
interface Places {
  readonly placements: readonly { readonly trim: Box }[];
}

/** Where a place lies on the sheet, front up, as rows and columns are counted. */
export function sayPlace({ placements }: Places, place: number): string {
  const near = (a: Mm, b: Mm): boolean => Math.abs(a - b) < 1;
  const middles = placements.map(({ trim }) => ({
    x: trim.xMm + trim.widthMm / 2,
    y: trim.yMm + trim.heightMm / 2,
  }));
  const { x, y } = middles[place]!;
  const row = middles.filter((m) => near(m.y, y)).sort((a, b) => a.x - b.x);
  const column = middles.filter((m) => near(m.x, x)).sort((a, b) => a.y - b.y);
  const across = row.findIndex((m) => near(m.x, x)) + 1;
  const down = column.findIndex((m) => near(m.y, y)) + 1;
  const said = [
    ...(column.length > 1 ? [`${ordinal(down)} from the top`] : []),
    ...(row.length > 1 ? [`${ordinal(across)} from the left`] : []),
  ];
  return said.length > 0 ? said.join(', ') : `place ${place + 1}`;
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];
const ordinal = (n: number): string => ORDINALS[n - 1] ?? `number ${n}`;

/** How piles go together once the sheets are cut apart, for a slug. */
export const sayPiles = (sheet: Places): string =>
  sheet.placements.length < 2 ? 'in the list’s order' : `pile 1: ${sayPlace(sheet, 0)}`;
