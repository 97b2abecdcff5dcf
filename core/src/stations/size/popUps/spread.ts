import { apply, compose, invert, type Affine } from '../../../ground/geometry/affine.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import type { FoldedForm } from '../../../ground/fold/types.ts';
import { IDENTITY } from '../../../ground/geometry/affine.ts';
import type { PageId } from '../../../ground/linkage/types.ts';
import type { Gutter, Seat } from './types.ts';

/**
 * Two pages about a fold of the card, as their reader sees them wide open. A level fold is turned upright: its lower page
 * is then page a, which a standing card has for its floor.
 */
export interface Spread {
  readonly creaseId: string;
  readonly panelIds: Readonly<Record<PageId, string>>;
  readonly faceIds: Readonly<Record<PageId, string>>;
  readonly outlines: Readonly<Record<PageId, Polygon>>;
  /** To the card’s blank, seen from outside: it mirrors. */
  readonly toBlank: Affine;
  /** The fold lies level as it is read. */
  readonly isLevel: boolean;
  readonly gutter: Gutter;
  readonly seats: Readonly<Record<PageId, Seat>>;
}

const NEARLY = 1e-6;

/** The card’s fold that pop-ups go over: the first that brings two insides together which are both read; null for none. */
export function spreadOf({ blank }: FoldedForm, faces: readonly ReadFace[]): Spread | null {
  const insideOf = (panelId: string): ReadFace | undefined =>
    faces.find((face) => face.panelId === panelId && face.side === 'inside');
  for (const { id, from, to, direction, shutDeg, joins } of blank.creases) {
    const [p, q] = [insideOf(joins[0]), insideOf(joins[1])];
    if (direction !== 'mountain' || Math.abs(shutDeg - 180) > NEARLY || !p || !q) continue;
    const right = wayOf(p.toBlank, { xMm: 1, yMm: 0 });
    const down = wayOf(p.toBlank, { xMm: 0, yMm: 1 });
    const isLevel = Math.abs((to.xMm - from.xMm) * right.xMm + (to.yMm - from.yMm) * right.yMm) > NEARLY;
    const across = isLevel ? { xMm: -down.xMm, yMm: -down.yMm } : right;
    const along = isLevel ? right : down;
    const onWay = (point: Point): number => point.xMm * along.xMm + point.yMm * along.yMm;
    const head = onWay(from) < onWay(to) ? from : to;
    const toBlank: Affine = [across.xMm, across.yMm, along.xMm, along.yMm, head.xMm, head.yMm];
    const back = invert(toBlank);
    const outlineOf = (panelId: string): Polygon =>
      blank.panels.find((panel) => panel.id === panelId)!.outline.map((point) => apply(back, point));
    const middleOf = (outline: Polygon): number => outline.reduce((sum, { xMm }) => sum + xMm, 0);
    const [a, b] = middleOf(outlineOf(joins[0])) < 0 ? [p, q] : [q, p];
    const long = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm);
    const page = (panelId: PageId) => ({ body: { partId: null, panelId }, toBody: IDENTITY });
    // A level fold is turned upright here: what is up to its reader lies to the right.
    const reads = isLevel ? { xMm: 1, yMm: 0 } : { xMm: 0, yMm: -1 };
    const seat = (panelId: PageId, way: -1 | 1, face: ReadFace): Seat => ({
      ...{
        body: { partId: null, panelId },
        foot: { xMm: 0, yMm: long / 2 },
        up: { xMm: way, yMm: 0 },
        name: face.name,
      },
      page: { outline: outlineOf(face.panelId), reads },
    });
    return {
      creaseId: id,
      panelIds: { a: a.panelId, b: b.panelId },
      faceIds: { a: a.id, b: b.id },
      outlines: { a: outlineOf(a.panelId), b: outlineOf(b.panelId) },
      ...{ toBlank, isLevel },
      gutter: { a: page('a'), b: page('b'), name: 'the card’s fold', inCard: IDENTITY },
      seats: { a: seat('a', -1, a), b: seat('b', 1, b) },
    };
  }
  return null;
}

/** A direction of a face, on the blank. */
function wayOf([a, b, c, d]: Affine, { xMm, yMm }: Point): Point {
  return { xMm: a * xMm + c * yMm, yMm: b * xMm + d * yMm };
}

/** From a face as it is read to the open pages. */
export const faceToSpread = ({ toBlank }: Spread, face: ReadFace): Affine => compose(invert(toBlank), face.toBlank);
