import { turnOf, type TurnOver } from '../../../ground/geometry/affine.ts';
import type { Sides } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';

export type SheetSide = 'front' | 'back';

/** What a printer leaves white is measured on the page as it is fed; turned over, another edge of the card meets it. */
const onTheOtherSide = ({ top, right, bottom, left }: Sides, turn: TurnOver): Sides =>
  turn === 'leftRight' ? { top, right: left, bottom, left: right } : { top: bottom, right, bottom: top, left };

/** What the printer cannot reach of one side, with that side fed as it is after the turn, as seen from the front. */
export const outOfReachOn = (
  side: SheetSide,
  marginsMm: Sides,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
  flipEdge: 'long' | 'short',
): Sides => (side === 'front' ? marginsMm : onTheOtherSide(marginsMm, turnOf(sheet, flipEdge)));

/**
 * What the printer cannot reach of a sheet, as seen from its front: on every side that is printed, with that side fed as
 * it is after the turn. Nothing printed is nothing out of reach.
 * @param marginsMm unprintable edges of the feed path, of any page as it is fed
 */
export function outOfReach(
  marginsMm: Sides,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
  flipEdge: 'long' | 'short',
  sides: readonly SheetSide[],
): Sides {
  const seen = sides.map((side) => outOfReachOn(side, marginsMm, sheet, flipEdge));
  const widest = (edge: keyof Sides): Mm => Math.max(0, ...seen.map((margins) => margins[edge]));
  return { top: widest('top'), right: widest('right'), bottom: widest('bottom'), left: widest('left') };
}
