import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import type { CornerCut, Mark } from './cornerCuts.ts';

/** What is cut off each freed box, a sentence a kind of corner, in marks from the corner or the side it is at. */
export const sayCorners = (corners: readonly CornerCut[], unit: LengthUnit): readonly string[] =>
  corners.map((cut) => {
    const said =
      cut.marks.length > MOST_MARKS || (cut.isRounded && cut.marks.length <= 2)
        ? 'cut along its template.'
        : cut.at[0]!.includes(' ')
          ? sayCorner(cut, unit)
          : sayNotch(cut, unit);
    return `${sayWhere(cut)}: ${said}`;
  });

const listed = (words: readonly string[]): string =>
  words.length === 1 ? words[0]! : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

function sayWhere({ at }: CornerCut): string {
  if (!at[0]!.includes(' ')) return `Out of the ${listed(at)}`;
  return at.length === 4 ? 'Off all four corners' : `Off the ${listed(at)} ${at.length === 1 ? 'corner' : 'corners'}`;
}

/** Nothing is said of a distance that is nought. */
function sayMark({ acrossMm, downMm }: Mark, upright: string, unit: LengthUnit): string {
  const parts = [
    ...(acrossMm > NOUGHT_MM ? [`${formatLength(acrossMm, unit)} across`] : []),
    ...(downMm > NOUGHT_MM ? [`${formatLength(downMm, unit)} ${upright}`] : []),
  ];
  return parts.join(' and ') || 'the corner itself';
}
const NOUGHT_MM = 0.02;

/** Whichever way leads into the box from the corners it is said of. */
function uprightOf({ at }: CornerCut): string {
  const tops = at.filter((one) => one.startsWith('top')).length;
  return tops === at.length ? 'down' : tops === 0 ? 'up' : 'along the side';
}

function sayCorner(cut: CornerCut, unit: LengthUnit): string {
  const upright = uprightOf(cut);
  const marks = cut.marks.map((mark) => sayMark(mark, upright, unit));
  return `mark ${marks.join('; ')}. ${sayCut(cut)}`;
}

/** The first and last mark lie on the side itself. */
function sayNotch(cut: CornerCut, unit: LengthUnit): string {
  const level = cut.at.every((side) => side === 'top' || side === 'bottom');
  const say = (mm: number): string => formatLength(mm, unit);
  const marks = cut.marks.map(({ acrossMm, downMm }) => {
    const [along, inMm] = level ? [acrossMm, downMm] : [downMm, acrossMm];
    return inMm > NOUGHT_MM ? `${say(along)} along and ${say(inMm)} in` : `${say(along)} along`;
  });
  return `from the nearer corner mark ${marks.join('; ')}. ${sayCut(cut)}`;
}

/** More marks than anybody sets out: its template is quicker. */
const MOST_MARKS = 8;

const sayCut = ({ marks, isRounded }: CornerCut): string =>
  isRounded
    ? 'Cut from mark to mark, round the curves by the template.'
    : marks.length === 2
      ? 'Cut from the one to the other.'
      : 'Cut from mark to mark with rule and knife.';
