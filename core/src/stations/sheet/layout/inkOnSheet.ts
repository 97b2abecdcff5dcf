import { mapBox } from '../../../ground/geometry/box.ts';
import { TOLERANCE_MM, type Sides } from '../../../ground/geometry/types.ts';
import type { FlatBlank } from '../../../ground/fold/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { InkEnd, InkEnds, InkOnBlank } from '../../art/faces/inkOnBlank.ts';
import type { Cell } from '../../size/cell.ts';
import { EDGES, turnedClockwise, type FromEdges } from './edges.ts';
import type { SheetSide } from './reach.ts';

const NO_INK: InkOnBlank = { outside: null, inside: null, bleeds: false };

/** Sides of a sheet that are printed: the outside of a card lies front up. */
export const sidesOf = ({ outside, inside }: InkOnBlank): readonly SheetSide[] => [
  ...(outside ? (['front'] as const) : []),
  ...(inside ? (['back'] as const) : []),
];

/** Where ink ends in the cell that a sheet is laid out in, whichever of its blanks it is on. */
export function inkOnCell(ink: InkOnBlank, cell: Cell, blank: FlatBlank, bleedMm: Mm): InkOnBlank {
  const endsIn = (ends: InkEnds | null): InkEnds | null => {
    if (!ends) return null;
    const all = cell.blanks.map((map) => {
      const box = mapBox(map, { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm });
      const away: Sides = {
        top: box.yMm,
        right: cell.widthMm - box.xMm - box.widthMm,
        bottom: cell.heightMm - box.yMm - box.heightMm,
        left: box.xMm,
      };
      const lies = map[0] < 0 ? turnedClockwise(turnedClockwise(ends)) : ends;
      return eachEdge((edge) => farther(lies[edge], away[edge], bleedMm));
    });
    return eachEdge((edge) => all.map((one) => one[edge]).reduce(nearer));
  };
  return { ...ink, outside: endsIn(ink.outside), inside: endsIn(ink.inside) };
}

const eachEdge = <T>(of: (edge: keyof Sides) => T) =>
  ({ top: of('top'), right: of('right'), bottom: of('bottom'), left: of('left') }) as const;
const nearer = (a: InkEnd, b: InkEnd): InkEnd => (a === 'bleeds' || b === 'bleeds' ? 'bleeds' : Math.min(a, b));
const farther = (end: InkEnd, byMm: Mm, bleedMm: Mm): InkEnd =>
  end !== 'bleeds' ? end + byMm : byMm < TOLERANCE_MM ? 'bleeds' : Math.max(0, byMm - bleedMm);

/** Whether it makes a difference to turn a piece half round. */
export const isEven = ({ outside, inside }: InkOnBlank): boolean =>
  [outside, inside].every((ends) => !ends || (ends.top === ends.bottom && ends.left === ends.right));

/**
 * How near to the sheet’s edges the trim of a cell may come: its ink stays off what the printer cannot reach of the side
 * it is on, and its trim stays off what a machine’s knife cannot.
 */
export function fromEdgesOf(
  ink: InkOnBlank,
  {
    reach,
    kept,
    bleedMm,
  }: {
    /** What the printer cannot reach of each side that it prints, as seen from the front. */
    readonly reach: Readonly<Partial<Record<SheetSide, Sides>>>;
    /** What no printed area may come to, whatever it carries: a machine’s margin, a strip for its marks. */
    readonly kept: Sides;
    readonly bleedMm: Mm;
  },
): FromEdges {
  const keeping = (turn: boolean): Sides => {
    const sides = [
      [ink.outside, reach.front],
      [ink.inside, reach.back],
    ] as const;
    const away = sides.flatMap(([ends, margins]) => {
      if (!ends || !margins) return [];
      const lies = turn ? turnedClockwise(ends) : ends;
      return [eachEdge((edge) => awayFrom(margins[edge], lies[edge], bleedMm))];
    });
    return eachEdge((edge) => Math.max(0, kept[edge] > 0 ? kept[edge] + bleedMm : 0, ...away.map((one) => one[edge])));
  };
  return { asDrawn: keeping(false), turned: keeping(true) };
}

const awayFrom = (marginMm: Mm, end: InkEnd, bleedMm: Mm): Mm =>
  end === 'bleeds' ? marginMm + bleedMm : marginMm - end;

/**
 * What is known of the same ink once a card is of another size, or keeps its edges bare: never more room than there is.
 * Art stays where it is on its face, so an edge that moves in comes nearer to it.
 */
export function inkThen(
  ink: InkOnBlank,
  then: { readonly bareEdgeMm: Mm; readonly narrowerMm: Mm; readonly lowerMm: Mm },
): InkOnBlank {
  const [across, down] = [Math.max(0, then.narrowerMm), Math.max(0, then.lowerMm)];
  const nearBy: Sides = { top: down, right: across, bottom: down, left: across };
  const endsThen = (ends: InkEnds | null): InkEnds | null =>
    ends &&
    eachEdge((edge) => {
      const end = ends[edge];
      const own = end === 'bleeds' ? end : end > nearBy[edge] ? end - nearBy[edge] : 'bleeds';
      return then.bareEdgeMm > 0 ? Math.max(then.bareEdgeMm, own === 'bleeds' ? 0 : own) : own;
    });
  const [outside, inside] = [endsThen(ink.outside), endsThen(ink.inside)];
  const reaches = [outside, inside].some((ends) => ends && EDGES.some((edge) => ends[edge] === 'bleeds'));
  if (!outside && !inside) return NO_INK;
  return { outside, inside, bleeds: then.bareEdgeMm > 0 ? false : ink.bleeds || reaches };
}
