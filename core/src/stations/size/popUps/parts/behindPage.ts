import { apply, compose, invert, translation, type Affine } from '../../../../ground/geometry/affine.ts';
import { boxAround, corners } from '../../../../ground/geometry/box.ts';
import { moved, type Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { PageId } from '../../../../ground/linkage/types.ts';
import type { PopUp } from '../../../../job/popUps.ts';
import { ownOutline, shapeOutline } from '../../formats/parts/shapes.ts';
import type { Made, Seat } from '../types.ts';
import { at } from './flatPart.ts';
import { placeOn } from './onSeat.ts';

/** A page of the card that something is moved behind, by hand. */
export interface BehindPage {
  readonly page: PageId;
  readonly outline: Polygon;
  /** From where a piece is read through the page, right and down from its place, to the page. */
  readonly toPage: Affine;
  /** From a piece’s own blank to the page; it lies under it, or is seen through it turned over. */
  readonly onto: (box: Point) => Affine;
  readonly under: { readonly under?: true };
}

/**
 * Seen from outside, what is moved lies on the inside with its print to the page; seen from inside, on the outside.
 * @returns null where it is not a page that carries it
 */
export function behindPage(seat: Seat, { alongMm, pastMm, seenFrom }: PopUp): BehindPage | null {
  const { page, body } = seat;
  if (!page) return null;
  const turned = seenFrom === 'outside' ? -1 : 1;
  const { reads } = page;
  const place = placeOn(seat, alongMm, pastMm);
  const toPage: Affine = [-turned * reads.yMm, turned * reads.xMm, -reads.xMm, -reads.yMm, place.xMm, place.yMm];
  return {
    ...{ page: body.panelId as PageId, outline: page.outline, toPage },
    onto: ({ xMm, yMm }) => compose(toPage, translation(xMm, yMm)),
    under: seenFrom === 'inside' ? { under: true } : {},
  };
}

/** A window about a point, upright as it is read. */
export function windowAt({ shape, path, windowWideMm: w, windowHighMm: h }: PopUp, middle: Point): Polygon {
  const outline =
    shape === 'box' ? corners({ xMm: 0, yMm: 0, widthMm: w, heightMm: h }) : shapeOutline(shape, path, w, h);
  return moved(outline, middle.xMm - w / 2, middle.yMm - h / 2);
}

/** As round as every curve that is cut. */
export const circle = (middle: Point, radiusMm: Mm): Polygon =>
  moved(shapeOutline('oval', '', 2 * radiusMm, 2 * radiusMm), middle.xMm - radiusMm, middle.yMm - radiusMm);

/** Why a path of one’s own is no window; null where it is one, or another shape was chosen. */
export function windowFault({
  shape,
  path,
  windowWideMm,
  windowHighMm,
}: PopUp): Extract<Made, { readonly ok: false }> | null {
  const read = shape === 'own' ? ownOutline(path, windowWideMm, windowHighMm) : null;
  return read && !read.ok
    ? {
        ok: false,
        title: 'The window’s own outline is none',
        why: read.why,
        mends: [{ label: 'Cut it as a box', part: { shape: 'box' } }],
      }
    : null;
}

/** How far the page goes on from a place, one way. */
export function roomTo({ outline, toPage }: BehindPage, way: Point): Mm {
  const back = invert(toPage);
  return Math.max(
    ...outline.map((p) => {
      const own = apply(back, p);
      return own.xMm * way.xMm + own.yMm * way.yMm;
    }),
  );
}

export const NO_PAGE: Extract<Made, { readonly ok: false }> = {
  ok: false,
  title: 'It is moved behind a page of the card',
  why: 'A window is cut in that page, and what is turned or pulled lies against it.',
  mends: [{ label: 'Put it behind the card’s first page', part: { on: { layerId: null, at: 'a' } } }],
};

export const CUT_WINDOW =
  'By its template, with rule and knife, from the corners towards the middle; the offcut falls out.';

export const boxOf = (outline: Polygon): Point => {
  const { xMm, yMm } = boxAround(outline);
  return at(xMm, yMm);
};
