import { drawNamed } from '../art/namedArt.ts';
import { cardRows, namesInUse } from '../art/names.ts';
import type { TypefaceBook } from '../art/typefaces.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Job } from '../job/types.ts';
import type { Shape } from '../scene/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { SheetPlan } from './planSheet.ts';

/** Whose names stand on one sheet. */
export interface NamedSheet {
  readonly sheetNumber: number;
  /** For every place the card of the list, counted from nought; null for a spare without a name. */
  readonly cards: readonly (number | null)[];
  /** For every place what is set from the list, in the blank’s frame. */
  readonly shapes: Readonly<Record<PaperSide, readonly (readonly Shape[])[]>>;
}

/**
 * The card at a place of a sheet when piles are cut apart and laid on each other: the first place’s pile holds the
 * first cards of the list, one a sheet, the next place’s pile goes on from there.
 */
export const cardAt = (place: number, sheetNumber: number, sheets: number): number => place * sheets + sheetNumber - 1;

/**
 * Names for one sheet in cutting-stack order, so that piles come off the trimmer in the order of the list.
 * @param sides those that are looked at or written
 * @param outlines files with fonts need none, and most of the time goes into them
 */
export function nameSheet(
  job: Job,
  size: SizePlan,
  { placements, sheets }: Pick<SheetPlan, 'placements' | 'sheets'>,
  book: TypefaceBook,
  sheetNumber: number,
  sides: readonly PaperSide[] = ['outside', 'inside'],
  outlines = true,
): NamedSheet | null {
  const names = namesInUse(job);
  if (!names) return null;
  const rows = cardRows(names);
  const cards = placements.map((_, place) => {
    const card = cardAt(place, sheetNumber, sheets);
    return card < rows.length ? card : null;
  });
  const drawn = (side: PaperSide): readonly (readonly Shape[])[] =>
    !sides.includes(side)
      ? []
      : cards.map((card) => drawNamed(job, size, side, names, card === null ? null : rows[card]!, book, outlines));
  return { sheetNumber, cards, shapes: { outside: drawn('outside'), inside: drawn('inside') } };
}
