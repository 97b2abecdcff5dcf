import type { Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { crossing, offLine } from './fitLine.ts';
import { findPaper } from './findPaper.ts';
import type { Edge, GreyImage, ScanFrame, ScanRead } from './types.ts';

/** A trimmed card as a scan shows it. */
export interface ScannedCard {
  /** From the top left, clockwise, in millimetres of the scan. */
  readonly corners: readonly [Point, Point, Point, Point];
  /** Between opposite edges, in their middle. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** How far the corner that is farthest from square is from it. */
  readonly offSquareDeg: number;
  /** How much wider it is at its top than at its foot, and higher on its left than on its right. */
  readonly taperWideMm: Mm;
  readonly taperHighMm: Mm;
}

/** Straight edges of card leave less than this; more is a torn edge, a shape or a shadow. */
const STRAIGHT_MM = 0.12;

/**
 * Sizes and squareness of cards that lie on a dark ground, from the left to the right.
 * @returns a sentence where nothing that is a card lies there, or one of them cannot be told from the ground
 */
export function measureCards(image: GreyImage, frame: ScanFrame): ScanRead<readonly ScannedCard[]> {
  const papers = findPaper(image, frame);
  if (papers.length === 0)
    return { ok: false, why: 'No card was found: lay them pale side down, a finger apart, with black card over them.' };
  const cards: ScannedCard[] = [];
  for (const [i, { edges }] of papers.entries()) {
    const { left, right, top, bottom } = edges;
    if (!left || !right || !top || !bottom)
      return {
        ok: false,
        why: `Card ${i + 1} from the left has an edge that cannot be seen: it runs off the scan, or is as dark as the ground.`,
      };
    const rough = Math.max(left.leftMm, right.leftMm, top.leftMm, bottom.leftMm);
    if (rough > STRAIGHT_MM)
      return {
        ok: false,
        why: `Card ${i + 1} from the left has an edge that is not straight to a tenth of a millimetre: clean the glass, and lay it flat.`,
      };
    cards.push(cardOf(left, right, top, bottom));
  }
  return { ok: true, value: cards };
}

function cardOf(left: Edge, right: Edge, top: Edge, bottom: Edge): ScannedCard {
  const corners = [crossing(left, top), crossing(right, top), crossing(right, bottom), crossing(left, bottom)] as const;
  const [a, b, c, d] = corners;
  const middle = (p: Point, q: Point): Point => ({ xMm: (p.xMm + q.xMm) / 2, yMm: (p.yMm + q.yMm) / 2 });
  const length = (p: Point, q: Point): Mm => Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
  /** Between two edges that are nearly side by side: the mean of what each is from the other’s middle. */
  const between = (p: Edge, q: Edge, midP: Point, midQ: Point): Mm =>
    (Math.abs(offLine(p, midQ)) + Math.abs(offLine(q, midP))) / 2;
  const angle = (p: Edge, q: Edge): number => {
    const dot = Math.abs(p.along.xMm * q.along.xMm + p.along.yMm * q.along.yMm);
    return (Math.asin(Math.min(1, dot)) * 180) / Math.PI;
  };
  return {
    corners,
    widthMm: between(left, right, middle(a, d), middle(b, c)),
    heightMm: between(top, bottom, middle(a, b), middle(c, d)),
    offSquareDeg: Math.max(angle(left, top), angle(right, top), angle(right, bottom), angle(left, bottom)),
    taperWideMm: length(a, b) - length(d, c),
    taperHighMm: length(a, d) - length(b, c),
  };
}
