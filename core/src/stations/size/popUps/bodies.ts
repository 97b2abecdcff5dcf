import { apply } from '../../../ground/geometry/affine.ts';
import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { move } from '../../../ground/fold/space.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { bodyKey, type Moment } from '../../../ground/linkage/types.ts';
import { placeParts, type Poses } from '../../../ground/linkage/placeParts.ts';
import type { PutTogether } from './assemble.ts';
import type { PopUpBand, PopUpFan } from './types.ts';

/** What lies between the shut pages, seen on page a: x below nought, away from the fold. */
export interface ShutPiece {
  readonly partId: string;
  readonly outline: Polygon;
  /** Sheets of it that lie on each other there. */
  readonly sheets: number;
}

/** Everything flat between shut pages. */
export function shutPieces({ parts, bands, fans }: PutTogether, shut: Moment): readonly ShutPiece[] {
  const poses = placeParts(parts, shut.state, 0);
  const rigid = parts.flatMap(({ id, blank, tabs, cutFrom }) =>
    // The tabs of what is cut in are the page itself.
    blank.panels
      .filter((panel) => !cutFrom || !tabs.includes(panel.id))
      .map(({ id: panelId, outline }) => ({
        partId: id,
        outline: onPageA(outline, poses, bodyKey({ partId: id, panelId })),
        sheets: 1,
      })),
  );
  return [...rigid, ...bands.map((band) => shutBand(band, poses)), ...fans.map((fan) => shutFan(fan, poses))];
}

const onPageA = (outline: Polygon, poses: Poses, key: string): Polygon =>
  outline.map((p) => {
    const [x, y] = move(poses.get(key)!, inSpace(p));
    return { xMm: x, yMm: -y };
  });

/** A loose strap lies in a loop between its ends: it goes past them by half of what it is too long by. */
function shutBand({ id, from, to, widthMm, longMm }: PopUpBand, poses: Poses): ShutPiece {
  const end = ({ body, at }: PopUpBand['from']) => {
    const [x, y] = move(poses.get(bodyKey(body))!, inSpace(at));
    return { xMm: x, yMm: -y };
  };
  const [p, q] = [end(from), end(to)];
  const span = Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
  const loop = Math.max(0, (longMm - span) / 2);
  // Away from the fold there is room; the loop is pressed flat that way.
  const [near, far] = p.xMm > q.xMm ? [p, q] : [q, p];
  const half = widthMm / 2;
  return {
    partId: id,
    outline: [
      { xMm: near.xMm, yMm: near.yMm - half },
      { xMm: near.xMm, yMm: near.yMm + half },
      { xMm: far.xMm - loop, yMm: far.yMm + half },
      { xMm: far.xMm - loop, yMm: far.yMm - half },
    ],
    sheets: 2,
  };
}

/** All pleats lie on each other, their ends at the gutter. */
function shutFan({ id, gutter, alongMm, pleats, pleatMm, lengthMm }: PopUpFan, poses: Poses): ShutPiece {
  const [top, bottom] = [alongMm - pleatMm / 2, alongMm + pleatMm / 2];
  const outline = [
    { xMm: 0, yMm: top },
    { xMm: 0, yMm: bottom },
    { xMm: -lengthMm, yMm: bottom },
    { xMm: -lengthMm, yMm: top },
  ].map((p) => apply(gutter.a.toBody, p));
  return { partId: id, outline: onPageA(outline, poses, bodyKey(gutter.a.body)), sheets: pleats };
}

/** Kept free inside the edge of the shut card. Our starting value. */
export const MARGIN_MM = 2;

/** How far a part comes out of the shut card, or by how little it keeps in where that is below nought. */
export interface Excess {
  readonly partId: string;
  readonly mm: Mm;
  readonly side: 'fold' | 'fore' | 'head' | 'foot';
}

/** Every crease of every part as it lies between shut pages. */
export const shutMoment = ({ parts }: PutTogether): Moment => ({
  openDeg: 0,
  state: Object.fromEntries(parts.map(({ id, shut }) => [id, shut])),
  gapsMm: {},
});
