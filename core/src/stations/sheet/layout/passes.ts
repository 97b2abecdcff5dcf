import type { WhiteWay } from '../../../workshop/types.ts';
import type { SheetSide } from './reach.ts';

/** White of its own; the colours (with the white in them, where a printer lays both at once); the black toner of a foil. */
export type PlateKind = 'white' | 'colours' | 'foil';

/** One way of the stack through the printer. */
export interface PrintPass {
  readonly plate: PlateKind;
  /** Both where the printer turns sheets by itself. */
  readonly sides: readonly SheetSide[];
}

/**
 * What goes through the printer, in its order: side by side, and on each side its plates as the path lays them.
 * Nothing printed is no pass at all.
 */
export function passesOf(
  sides: readonly SheetSide[],
  bothSidesAtOnce: boolean,
  white: WhiteWay | null,
): readonly PrintPass[] {
  const stacks = bothSidesAtOnce && sides.length > 1 ? [sides] : sides.map((side) => [side]);
  const plates: readonly PlateKind[] =
    white === 'before' ? ['white', 'colours'] : white === 'after' ? ['colours', 'white'] : ['colours'];
  return stacks.flatMap((stack) => plates.map((plate) => ({ plate, sides: stack })));
}

/** White that is a pass of its own needs pages, steps and files of its own. */
export const isOwnPass = (white: WhiteWay | null): boolean => white === 'before' || white === 'after';

/** What a page is of, in the words of its slug and its step. */
export const sayPlate = (plate: PlateKind, white: WhiteWay | null): string | null =>
  plate === 'foil'
    ? 'black toner for the foil'
    : !isOwnPass(white)
      ? null
      : plate === 'white'
        ? `white ink, ${white === 'before' ? 'before' : 'after'} the colours`
        : `colours, ${white === 'before' ? 'after' : 'before'} the white`;
