import { boxAround, evenSides, grow, overlaps } from '../../ground/geometry/box.ts';
import { TOLERANCE_MM, type Box, type Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';

/** A way the knife goes without lifting; closed when it ends where it began. */
export type KnifePath = readonly Point[];

type Span = readonly [from: Mm, to: Mm];

/**
 * Outlines as a knife goes round them, no straight stretch twice: where cards touch, the edge they share is cut with
 * the first of them, and the second leaves it out.
 * @param outlines closed, without the first point repeated
 */
export function knifePaths(outlines: readonly (readonly Point[])[]): readonly KnifePath[] {
  /** What has been cut along each straight line, by its direction and its distance from the corner of the sheet. */
  const cut = new Map<string, Span[]>();
  const boxes = outlines.map((outline) => grow(boxAround(outline), evenSides(TOLERANCE_MM)));
  return outlines.flatMap((outline, n) => {
    // Only an edge that comes to another outline’s box can be shared; a round tag among a hundred has few.
    const others = boxes.filter((box, m) => m !== n && overlaps(box, boxes[n]!));
    const paths: Point[][] = [];
    const cutTo = (start: Point, end: Point): void => {
      const own = paths.at(-1);
      if (own && near(own.at(-1)!, start)) own.push(end);
      else paths.push([start, end]);
    };
    outline.forEach((from, i) => {
      const to = outline[(i + 1) % outline.length]!;
      if (Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm) < NO_LENGTH_MM) return;
      if (!others.some((box) => comesTo(box, from, to))) return cutTo(from, to);
      const line = lineThrough(from, to);
      const before = cut.get(line.key) ?? [];
      cut.set(line.key, before);
      for (const [a, b] of uncovered([line.from, line.to], before)) cutTo(line.at(a), line.at(b));
      before.push([Math.min(line.from, line.to), Math.max(line.from, line.to)]);
    });
    // A round that began in the middle of a stretch is one stretch.
    const [first, last] = [paths[0], paths.at(-1)];
    if (first && last && first !== last && near(last.at(-1)!, first[0]!))
      return [[...last, ...first.slice(1)], ...paths.slice(1, -1)];
    return paths;
  });
}

/** An edge shorter than this has no direction. */
const NO_LENGTH_MM = 1e-9;

const near = (a: Point, b: Point): boolean => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) < TOLERANCE_MM;

/** Whether an edge’s own box comes to another: asked of every edge, so without making one. */
const comesTo = ({ xMm, yMm, widthMm, heightMm }: Box, p: Point, q: Point): boolean =>
  Math.max(p.xMm, q.xMm) >= xMm &&
  Math.min(p.xMm, q.xMm) <= xMm + widthMm &&
  Math.max(p.yMm, q.yMm) >= yMm &&
  Math.min(p.yMm, q.yMm) <= yMm + heightMm;

/** The line of an edge, and where along it the edge lies. */
function lineThrough(
  from: Point,
  to: Point,
): { readonly key: string; readonly from: Mm; readonly to: Mm; readonly at: (along: Mm) => Point } {
  const length = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm);
  // One direction for both ways along a line.
  const flip = to.xMm - from.xMm < -1e-9 || (Math.abs(to.xMm - from.xMm) <= 1e-9 && to.yMm < from.yMm) ? -1 : 1;
  const [ux, uy] = [(flip * (to.xMm - from.xMm)) / length, (flip * (to.yMm - from.yMm)) / length];
  const off = ux * from.yMm - uy * from.xMm;
  const along = (p: Point): Mm => ux * p.xMm + uy * p.yMm;
  const round = (n: number, step: number): number => Math.round(n / step);
  return {
    key: [round(ux, 1e-5), round(uy, 1e-5), round(off, TOLERANCE_MM / 10)].join(' '),
    from: along(from),
    to: along(to),
    at: (t) => ({ xMm: ux * t - uy * off, yMm: uy * t + ux * off }),
  };
}

/** What of a span none of others covers, in the direction of the span. */
function uncovered([from, to]: Span, others: readonly Span[]): readonly Span[] {
  let left: readonly Span[] = [[Math.min(from, to), Math.max(from, to)]];
  const [least, most] = left[0]!;
  for (const [a, b] of others) {
    // Most of what was cut along a long line lies elsewhere on it.
    if (b <= least || a >= most) continue;
    left = left.flatMap(([low, high]): readonly Span[] =>
      b <= low || a >= high
        ? [[low, high]]
        : [
            ...(a - low > TOLERANCE_MM ? [[low, a] as const] : []),
            ...(high - b > TOLERANCE_MM ? [[b, high] as const] : []),
          ],
    );
  }
  const sorted = [...left].sort((p, q) => p[0] - q[0]);
  return from <= to ? sorted : sorted.reverse().map(([low, high]) => [high, low]);
}
