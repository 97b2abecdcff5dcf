import type { Affine } from '../../../../ground/geometry/affine.ts';
import { boxAround } from '../../../../ground/geometry/box.ts';
import type { Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Blank, Crease, CreaseDirection } from '../../../../ground/fold/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';

export const at = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });

export interface FlatPanel {
  readonly id: string;
  readonly name: string;
  readonly outline: Polygon;
}
export interface FlatCrease {
  readonly id: string;
  readonly from: Point;
  readonly to: Point;
  readonly direction: CreaseDirection;
  readonly joins: readonly [string, string];
}

/** A blank whose box starts at nought, from panels and creases in any frame of their own; `moved` is where that went. */
export function flatPart(
  outline: Polygon,
  panels: readonly FlatPanel[],
  creases: readonly FlatCrease[],
): { readonly blank: Blank; readonly moved: (p: Point) => Point } {
  const box = boxAround(outline);
  const moved = ({ xMm, yMm }: Point): Point => at(xMm - box.xMm, yMm - box.yMm);
  return {
    moved,
    blank: {
      widthMm: box.widthMm,
      heightMm: box.heightMm,
      outline: outline.map(moved),
      panels: panels.map(({ outline: own, ...panel }) => {
        const lies = own.map(moved);
        return { ...panel, outline: lies, box: boxAround(lies) };
      }),
      creases: creases.map((crease): Crease => ({
        ...crease,
        from: moved(crease.from),
        to: moved(crease.to),
        shutDeg: 180,
      })),
      cuts: [],
    },
  };
}

/**
 * The rigid map that lays the line from `from` along the unit vector `along` onto the line from `to` along `onto`, the
 * same side up or turned over.
 */
export function layLine(
  { from, along }: { readonly from: Point; readonly along: Point },
  { to, onto }: { readonly to: Point; readonly onto: Point },
  turnedOver: boolean,
): Affine {
  const over = turnedOver ? -1 : 1;
  const c = along.xMm * onto.xMm + over * along.yMm * onto.yMm;
  const s = along.xMm * onto.yMm - over * along.yMm * onto.xMm;
  const [a, b, cc, d] = [c, s, -over * s, over * c];
  return [a, b, cc, d, to.xMm - a * from.xMm - cc * from.yMm, to.yMm - b * from.xMm - d * from.yMm];
}
