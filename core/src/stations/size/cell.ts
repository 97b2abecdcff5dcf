import { compose, IDENTITY, type Affine } from '../../ground/geometry/affine.ts';
import { isUprightBox } from '../../ground/geometry/polygon.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import type { Mm } from '../../ground/length/types.ts';

/** The rectangle that a sheet is laid out in and a trimmer cuts free, with the blanks that lie in it. */
export interface Cell {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** From each blank, outside up, to the cell. */
  readonly blanks: readonly Affine[];
  /** Straight cuts that part nested blanks, on the cell: marks on its left and right edges, from its top. */
  readonly slopes: readonly { readonly leftMm: Mm; readonly rightMm: Mm }[];
}

/** One blank to a cell: always possible. */
function alone({ blank: { widthMm, heightMm, outline } }: FoldedForm): Cell {
  const slope = slopedTop(outline, widthMm, heightMm);
  return { widthMm, heightMm, blanks: [IDENTITY], slopes: slope ? [slope] : [] };
}

/**
 * Two blanks where one sloped cut makes both, or null: a straight top edge from low to high is the other
 * one’s turned half round, since the cut is point-symmetric about the cell’s middle. With bleed the two
 * slopes stand apart by both bleeds, measured square to the cut.
 */
function nested({ blank }: FoldedForm, bleedMm: Mm): Cell | null {
  const { widthMm, heightMm, outline } = blank;
  const slope = slopedTop(outline, widthMm, heightMm);
  if (!slope) return null;
  const gapMm = (2 * bleedMm * Math.hypot(widthMm, slope.leftMm - slope.rightMm)) / widthMm;
  const low = heightMm - Math.max(slope.leftMm, slope.rightMm);
  const cellHeightMm = heightMm + low + gapMm;
  const down = cellHeightMm - heightMm;
  const cut = { leftMm: slope.leftMm + down, rightMm: slope.rightMm + down };
  return {
    widthMm,
    heightMm: cellHeightMm,
    blanks: [
      [1, 0, 0, 1, 0, down],
      [-1, 0, 0, -1, widthMm, heightMm],
    ],
    slopes: gapMm > 0 ? [cut, { leftMm: cellHeightMm - cut.rightMm, rightMm: cellHeightMm - cut.leftMm }] : [cut],
  };
}

/** The same cell lying head to foot. */
export function halfTurned(cell: Cell): Cell {
  const half: Affine = [-1, 0, 0, -1, cell.widthMm, cell.heightMm];
  return {
    ...cell,
    blanks: cell.blanks.map((blank) => compose(half, blank)),
    slopes: cell.slopes.map(({ leftMm, rightMm }) => ({
      leftMm: cell.heightMm - rightMm,
      rightMm: cell.heightMm - leftMm,
    })),
  };
}

/** A cell of one blank, or of two where they nest. @throws RangeError when they do not nest */
export function cellOf(form: FoldedForm, bleedMm: Mm, blanks: number): Cell {
  const cell = blanks === 1 ? alone(form) : nested(form, bleedMm);
  if (!cell) throw new RangeError(`cellOf: wanted ${blanks} nested blanks, but this outline does not nest`);
  return cell;
}

/** Every way to fill a cell, the simplest first. */
export const cellsOf = (form: FoldedForm, bleedMm: Mm): readonly Cell[] => {
  const pair = nested(form, bleedMm);
  return pair ? [alone(form), pair] : [alone(form)];
};

/** A blank that is a box but for one straight sloping top edge; its marks from the top, or null. */
function slopedTop(
  outline: FoldedForm['blank']['outline'],
  widthMm: Mm,
  heightMm: Mm,
): { readonly leftMm: Mm; readonly rightMm: Mm } | null {
  if (outline.length !== 4 || isUprightBox(outline)) return null;
  const NEAR_MM = 1e-6;
  const at = (x: Mm, lowest: boolean): Mm | null => {
    const ys = outline.filter((p) => Math.abs(p.xMm - x) < NEAR_MM).map((p) => p.yMm);
    return ys.length === 2 ? (lowest ? Math.max(...ys) : Math.min(...ys)) : null;
  };
  const [left, right] = [at(0, false), at(widthMm, false)];
  const level = at(0, true) === heightMm && at(widthMm, true) === heightMm;
  return level && left !== null && right !== null ? { leftMm: left, rightMm: right } : null;
}
