import { boxAround, corners } from '../../ground/geometry/box.ts';
import { TOLERANCE_MM, type Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { DraftMove } from './draftMoves.ts';

/** A piece where it lies on the sheet, trim to trim, and what it is called. */
export interface PlacedKind extends Box {
  readonly id: string;
}

/** Nearer than this two edges are one. */
const NEAR_MM = TOLERANCE_MM * 10;

/**
 * Moves that cut a mixed sheet apart. First two true edges, at the first trims from the left and from the top;
 * then every part is cut off at its own first trim, so that it comes away with its left and top edges true, and
 * what is waste beyond its last trims goes before anything in it is parted.
 * @param gutterMm the clear strip between neighbouring trims
 * @throws RangeError when edge-to-edge cuts cannot part the pieces, which would be our mistake
 */
export function partKinds(placements: readonly PlacedKind[], page: Box, gutterMm: Mm): readonly DraftMove[] {
  if (placements.length === 0) return [];
  const moves: DraftMove[] = [];
  const whole = hullOf(placements);
  if (whole.xMm > NEAR_MM) moves.push(trueEdge(page, whole.xMm, true));
  const beside = { ...page, xMm: whole.xMm, widthMm: page.widthMm - whole.xMm };
  if (whole.yMm > NEAR_MM) moves.push(trueEdge(beside, whole.yMm, false));
  let letters = 0;
  const part = (own: readonly PlacedKind[], box: Box, name: string): void => {
    const hull = hullOf(own);
    const [right, bottom] = [hull.xMm + hull.widthMm - box.xMm, hull.yMm + hull.heightMm - box.yMm];
    if (box.widthMm - right > NEAR_MM) moves.push(cutAt(box, right, true, 'waste', name));
    let clean = { ...box, widthMm: right };
    if (clean.heightMm - bottom > NEAR_MM) moves.push(cutAt(clean, bottom, false, 'waste', name));
    clean = { ...clean, heightMm: bottom };
    // A part seldom begins before its first piece; its far edges are true by now, and take the fence.
    if (hull.xMm - clean.xMm > NEAR_MM)
      moves.push({ ...trueEdge(clean, hull.xMm, true), makesTrueEdge: false, piece: name });
    clean = { ...clean, xMm: hull.xMm, widthMm: hull.widthMm };
    if (hull.yMm - clean.yMm > NEAR_MM)
      moves.push({ ...trueEdge(clean, hull.yMm, false), makesTrueEdge: false, piece: name });
    clean = hull;
    if (own.length === 1) return;
    const split = parting(own, gutterMm);
    const at = split.upright
      ? Math.min(...split.second.map((p) => p.xMm)) - clean.xMm
      : Math.min(...split.second.map((p) => p.yMm)) - clean.yMm;
    const [stays, falls]: readonly [Box, Box] = split.upright
      ? [
          { ...clean, widthMm: at },
          { ...clean, xMm: clean.xMm + at, widthMm: clean.widthMm - at },
        ]
      : [
          { ...clean, heightMm: at },
          { ...clean, yMm: clean.yMm + at, heightMm: clean.heightMm - at },
        ];
    letters += 2;
    const [first, second] = [partName(split.first, letters - 2), partName(split.second, letters - 1)];
    moves.push({ ...cutAt(clean, at, split.upright, 'part', name), stays: first, comesOff: second });
    part(split.first, stays, first);
    part(split.second, falls, second);
  };
  part(placements, { ...beside, yMm: whole.yMm, heightMm: page.heightMm - whole.yMm }, 'the sheet');
  return moves;
}

const partName = (own: readonly PlacedKind[], n: number): string =>
  own.length === 1 ? own[0]!.id : `part ${String.fromCharCode(65 + (n % 26))}${n >= 26 ? Math.floor(n / 26) : ''}`;

const hullOf = (boxes: readonly Box[]): Box => boxAround(boxes.flatMap((b) => corners(b)));

/** The first clear strip across the pieces, along whichever axis parts them more evenly. */
function parting(
  own: readonly PlacedKind[],
  gutterMm: Mm,
): { readonly upright: boolean; readonly first: readonly PlacedKind[]; readonly second: readonly PlacedKind[] } {
  const along = (upright: boolean) => {
    const from = (p: PlacedKind): Mm => (upright ? p.xMm : p.yMm);
    const to = (p: PlacedKind): Mm => (upright ? p.xMm + p.widthMm : p.yMm + p.heightMm);
    const sorted = [...own].sort((a, b) => from(a) - from(b));
    const found: { upright: boolean; first: PlacedKind[]; second: PlacedKind[] }[] = [];
    let reach = -Infinity;
    sorted.forEach((p, i) => {
      if (i > 0 && from(p) - reach >= gutterMm - NEAR_MM)
        found.push({ upright, first: sorted.slice(0, i), second: sorted.slice(i) });
      reach = Math.max(reach, to(p));
    });
    return found;
  };
  const all = [...along(true), ...along(false)];
  const even = ({ first, second }: (typeof all)[number]): number => Math.abs(first.length - second.length);
  const [best] = all.sort((a, b) => even(a) - even(b));
  if (!best) throw new RangeError('partKinds: these pieces cannot be parted by edge-to-edge cuts');
  return best;
}

const line = ({ xMm, yMm, widthMm, heightMm }: Box, at: Mm, upright: boolean): DraftMove['line'] =>
  upright
    ? [
        { xMm: at, yMm },
        { xMm: at, yMm: yMm + heightMm },
      ]
    : [
        { xMm, yMm: at },
        { xMm: xMm + widthMm, yMm: at },
      ];

/** From the part’s own left or top edge, which is true. */
function cutAt(box: Box, fenceMm: Mm, upright: boolean, fallsOff: DraftMove['fallsOff'], piece: string): DraftMove {
  const at = (upright ? box.xMm : box.yMm) + fenceMm;
  return {
    fenceMm,
    atFence: upright ? 'left' : 'top',
    fallsOff,
    makesTrueEdge: false,
    piece,
    stays: null,
    comesOff: null,
    line: line(box, at, upright),
    beyond: [
      upright
        ? { ...box, xMm: at, widthMm: box.widthMm - fenceMm }
        : { ...box, yMm: at, heightMm: box.heightMm - fenceMm },
    ],
    piecesPerSheet: 1,
  };
}

/** The far factory edge at the fence, so that what falls off is the ragged side. */
function trueEdge(box: Box, at: Mm, upright: boolean): DraftMove {
  return {
    fenceMm: upright ? box.xMm + box.widthMm - at : box.yMm + box.heightMm - at,
    atFence: upright ? 'right' : 'bottom',
    fallsOff: 'waste',
    makesTrueEdge: true,
    piece: 'the sheet',
    stays: null,
    comesOff: null,
    line: line(box, at, upright),
    beyond: [upright ? { ...box, widthMm: at - box.xMm } : { ...box, heightMm: at - box.yMm }],
    piecesPerSheet: 1,
  };
}
