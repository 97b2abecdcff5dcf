import { compose } from '../../../../ground/geometry/affine.ts';
import type { CreaseDirection } from '../../../../ground/fold/types.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../../ground/length/types.ts';
import type { Gutter, MadePopUp, PopUpPart } from '../types.ts';
import { at, flatPart, layLine } from './flatPart.ts';

export interface FoldedV {
  readonly layerId: string;
  readonly name: string;
  readonly gutter: Gutter;
  /** Its point, on the gutter. */
  readonly alongMm: Mm;
  /** Between the gutter’s head and the glue line, on either side. */
  readonly glueDegs: readonly [Deg, Deg];
  /** Between the middle crease and the glue line, on either side. */
  readonly pieceDegs: readonly [Deg, Deg];
  readonly glueMm: Mm;
  /** Along the middle crease. */
  readonly heightMm: Mm;
  readonly lean: 'fro' | 'to';
  readonly tabMm: Mm;
  readonly tabs: 'hidden' | 'showing';
}

const rad = (deg: Deg): number => (deg * Math.PI) / 180;

/**
 * Two panels that meet in a crease over the gutter, glued along a line on either page; all three lines meet in one point
 * of the gutter. Its top is level, so that a figure stands on it. Flat, the crease runs up from the point.
 */
export function foldedV(v: FoldedV): MadePopUp & { readonly parts: readonly [PopUpPart] } {
  const { layerId, name, gutter, alongMm, glueDegs, pieceDegs, glueMm, heightMm, lean, tabMm, tabs } = v;
  const isHidden = tabs === 'hidden';
  const id = `${layerId}-1`;
  const point = at(0, 0);
  const top = at(0, -heightMm);
  const ways = [-1, 1] as const;
  const sides = ways.map((way, i) => {
    const along = at(way * Math.sin(rad(pieceDegs[i]!)), -Math.cos(rad(pieceDegs[i]!)));
    const end = at(glueMm * along.xMm, glueMm * along.yMm);
    // Away from the panel: the panel lies on the crease’s side of the glue line.
    const off = at(-way * along.yMm, way * along.xMm);
    // It keeps clear of the gutter where its point is, and loses its corner at the other end.
    const room = Math.min(45, isHidden ? glueDegs[i]! : 180 - glueDegs[i]!);
    const near = Math.min(tabMm / Math.tan(rad(room)), glueMm * 0.6);
    const far = glueMm - Math.min(tabMm / 2, glueMm * 0.2);
    const beside = (mm: Mm): Point => at(mm * along.xMm + tabMm * off.xMm, mm * along.yMm + tabMm * off.yMm);
    return { along, end, corner: at(end.xMm, -heightMm), tab: [beside(near), beside(far)] as const };
  });
  const [left, right] = [sides[0]!, sides[1]!];
  const glueWay: CreaseDirection = isHidden ? 'mountain' : 'valley';
  const { blank, moved } = flatPart(
    [
      ...[top, right.corner, right.end, right.tab[1], right.tab[0], point],
      ...[left.tab[0], left.tab[1], left.end, left.corner],
    ],
    [
      { id: 'left', name: 'Left half', outline: [point, left.end, left.corner, top] },
      { id: 'right', name: 'Right half', outline: [point, top, right.corner, right.end] },
      { id: 'tabLeft', name: 'Left tab', outline: [point, left.tab[0], left.tab[1], left.end] },
      { id: 'tabRight', name: 'Right tab', outline: [point, right.end, right.tab[1], right.tab[0]] },
    ],
    [
      ...[{ id: 'glueLeft', from: point, to: left.end, direction: glueWay, joins: ['tabLeft', 'left'] as const }],
      {
        ...{ id: 'middle', from: top, to: point, joins: ['left', 'right'] as const },
        direction: lean === 'fro' ? 'mountain' : 'valley',
      },
      { id: 'glueRight', from: point, to: right.end, direction: glueWay, joins: ['right', 'tabRight'] },
    ],
  );
  const onto = (i: 0 | 1) =>
    layLine(
      { from: moved(point), along: sides[i]!.along },
      {
        to: at(0, alongMm),
        onto: at(ways[i] * Math.sin(rad(glueDegs[i])), -Math.cos(rad(glueDegs[i]))),
      },
      isHidden,
    );
  // With the pages shut the panels lie on them, past the glue lines or before them.
  const shutOver = lean === 'fro' ? 180 : 0;
  const shown = (deg: Deg): Deg => (isHidden ? 180 - deg : deg);
  const part: PopUpPart = {
    ...{ id, name, blank, tabs: ['tabLeft', 'tabRight'], showing: isHidden ? [] : ['tabLeft', 'tabRight'] },
    carries: 'upright',
    joints: [
      { id: `${id}-a`, panelId: 'tabLeft', on: gutter.a.body, onto: compose(gutter.a.toBody, onto(0)) },
      { id: `${id}-b`, panelId: 'tabRight', on: gutter.b.body, onto: compose(gutter.b.toBody, onto(1)) },
    ],
    shut: { glueLeft: shown(shutOver), middle: 180, glueRight: shown(shutOver) },
    flat: { glueLeft: 90, middle: 180 - spread(glueDegs, pieceDegs), glueRight: 90 },
  };
  return {
    parts: [part],
    // Level with the higher end of the glue lines, so that a strip along it lies on card.
    seats: {
      left: {
        body: { partId: id, panelId: 'left' },
        foot: moved(at(left.end.xMm / 2, Math.min(0, left.end.yMm))),
        up: at(0, -1),
        name: 'Left half',
      },
      right: {
        body: { partId: id, panelId: 'right' },
        foot: moved(at(right.end.xMm / 2, Math.min(0, right.end.yMm))),
        up: at(0, -1),
        name: 'Right half',
      },
    },
  };
}

/** About the angle between its halves over flat pages. */
function spread([a, b]: readonly [Deg, Deg], [p, q]: readonly [Deg, Deg]): Deg {
  const half = (glue: Deg, piece: Deg): number => Math.asin(Math.min(1, Math.sin(rad(glue)) / Math.sin(rad(piece))));
  return ((half(a, p) + half(b, q)) * 180) / Math.PI;
}
