import { boxAround } from '../../../ground/geometry/box.ts';
import { contains, distanceToEdge, edgesOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { Excess, ShutPiece } from './bodies.ts';
import type { Spread } from './spread.ts';

/** Edges are looked at this often, since pages may be round. */
const EVERY_MM = 3;
/** At most so many places of one edge, however long it is. */
const MOST_PLACES = 60;
/** Less than this past an edge is the width of no blade. */
export const OUT_MM = 0.02;

/**
 * How far what lies in the shut card comes out of it, or keeps from its edge: for each part its farthest point. Nothing
 * pokes out that either page covers.
 * @param marginMm what comes nearer than this to the edge counts too; its excess is then below nought
 */
export function pokesOut(pieces: readonly ShutPiece[], spread: Spread, marginMm: Mm): readonly Excess[] {
  const worst = new Map<string, Excess>();
  for (const excess of excesses(pieces, spread, marginMm)) {
    const before = worst.get(excess.partId);
    if (!before || excess.mm > before.mm) worst.set(excess.partId, excess);
  }
  return [...worst.values()];
}

/** Place by place, so that who only asks whether any does stops at the first. */
export function* excesses(
  pieces: readonly ShutPiece[],
  { outlines }: Pick<Spread, 'outlines'>,
  marginMm: Mm,
): Generator<Excess> {
  const covers = [outlines.a, outlines.b.map(({ xMm, yMm }) => ({ xMm: -xMm, yMm }))];
  const around = boxAround(covers.flat());
  for (const { partId, outline } of pieces)
    for (const point of pointsOf(outline)) {
      const mm = Math.min(...covers.map((cover) => outside(cover, point, around.xMm + around.widthMm)));
      if (mm > -marginMm + OUT_MM) yield { partId, mm, side: sideOf(point, around) };
    }
}

/** Distance from the edges, above nought outside them. The fold itself is no edge: what is glued along it lies at it. */
function outside(cover: Polygon, point: Point, foldXMm: Mm): Mm {
  const isAtFold = (p: Point): boolean => Math.abs(p.xMm - foldXMm) < 1e-6;
  const free = edgesOf(cover).filter(([p, q]) => !(isAtFold(p) && isAtFold(q)));
  const beyond = point.xMm - foldXMm;
  if (beyond > OUT_MM) return beyond;
  const inner = beyond > -OUT_MM ? { ...point, xMm: foldXMm - OUT_MM } : point;
  const distance = Math.min(...free.map((edge) => distanceToEdge(inner, edge)));
  return contains(cover, inner) ? -distance : distance;
}

function pointsOf(outline: Polygon): readonly Point[] {
  return edgesOf(outline).flatMap(([p, q]) => {
    const long = Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
    const n = Math.min(MOST_PLACES, Math.max(1, Math.ceil(long / EVERY_MM)));
    return Array.from({ length: n }, (_, i) => ({
      xMm: p.xMm + ((q.xMm - p.xMm) * i) / n,
      yMm: p.yMm + ((q.yMm - p.yMm) * i) / n,
    }));
  });
}

/** Which edge of the card it is nearest to passing, or has passed by most. */
function sideOf({ xMm, yMm }: Point, box: ReturnType<typeof boxAround>): Excess['side'] {
  const past = {
    fold: xMm - (box.xMm + box.widthMm),
    fore: box.xMm - xMm,
    head: box.yMm - yMm,
    foot: yMm - (box.yMm + box.heightMm),
  };
  // Everything lies near the fold by right; it is named only where it is passed.
  const sides = (['fore', 'head', 'foot'] as const).reduce((a, b) => (past[b] > past[a] ? b : a));
  return past.fold > OUT_MM && past.fold > past[sides] ? 'fold' : sides;
}
