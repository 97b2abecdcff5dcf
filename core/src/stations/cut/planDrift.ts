import { TOLERANCE_MM, type Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { CutMove, EdgeDrift, PieceDrift } from './types.ts';

/** Of 100 cuts 95 land within so many spreads of their place. Source: the normal distribution’s 97.5th percentile */
export const SPREADS_OF_95 = 1.96;

const NONE: EdgeDrift = { fromTrueMm: 0, chainedMm: 0 };

interface Line {
  readonly upright: boolean;
  readonly at: Mm;
  readonly from: Mm;
  readonly to: Mm;
  readonly variance: number;
  readonly chained: number;
}

/**
 * Where the trims of every piece land. A cut strays by the tool’s own spread from where it is set, and by
 * whatever the edge at the fence strayed already; independent strays add as squares. Measured from the last
 * cut instead of from a true edge, every cut in between adds its own.
 * @param repeatabilityMm one standard deviation of a single cut
 * Source: the sum of variances of independent errors, as in JCGM 100:2008, 5.1.2
 */
export function planDrift(
  moves: readonly CutMove[],
  pieces: readonly Box[],
  repeatabilityMm: Mm,
): readonly PieceDrift[] {
  const own = repeatabilityMm ** 2;
  const lines: Line[] = [];
  const meets = (line: Line, low: Mm, high: Mm): boolean =>
    Math.min(line.to, high) - Math.max(line.from, low) > TOLERANCE_MM * 10;
  const isAt = (a: Mm, b: Mm): boolean => Math.abs(a - b) < TOLERANCE_MM * 10;
  // Where every move cuts, known beforehand: a chain runs over cuts that come later too.
  const spans = moves.map(({ line: [a, b] }) => {
    const upright = isAt(a.xMm, b.xMm);
    return upright
      ? { upright, at: a.xMm, from: Math.min(a.yMm, b.yMm), to: Math.max(a.yMm, b.yMm) }
      : { upright, at: a.yMm, from: Math.min(a.xMm, b.xMm), to: Math.max(a.xMm, b.xMm) };
  });
  moves.forEach((move, i) => {
    const span = spans[i]!;
    const edge = span.at + (move.atFence === 'left' || move.atFence === 'top' ? -move.fenceMm : move.fenceMm);
    const under = lines.filter((l) => l.upright === span.upright && isAt(l.at, edge) && meets(l, span.from, span.to));
    const base = under.at(-1);
    const between = new Set(
      spans
        .filter(
          (s) =>
            s.upright === span.upright &&
            Math.min(s.to, span.to) - Math.max(s.from, span.from) > TOLERANCE_MM * 10 &&
            (s.at - edge) * (s.at - span.at) < -TOLERANCE_MM,
        )
        .map((s) => Math.round(s.at * 1000)),
    ).size;
    lines.push({
      ...span,
      variance: (base?.variance ?? 0) + own,
      chained: (base?.chained ?? 0) + own * (move.makesTrueEdge ? 1 : 1 + between),
    });
  });
  const drift = (upright: boolean, at: Mm, low: Mm, high: Mm): EdgeDrift => {
    const cut = lines.find((l) => l.upright === upright && isAt(l.at, at) && meets(l, low, high));
    return cut ? { fromTrueMm: Math.sqrt(cut.variance), chainedMm: Math.sqrt(cut.chained) } : NONE;
  };
  return pieces.map(({ xMm, yMm, widthMm, heightMm }) => ({
    left: drift(true, xMm, yMm, yMm + heightMm),
    right: drift(true, xMm + widthMm, yMm, yMm + heightMm),
    top: drift(false, yMm, xMm, xMm + widthMm),
    bottom: drift(false, yMm + heightMm, xMm, xMm + widthMm),
  }));
}

/** The worst edge of all. */
export const worstDrift = (drifts: readonly PieceDrift[]): EdgeDrift => {
  const edges = drifts.flatMap((d) => Object.values(d));
  return {
    fromTrueMm: Math.max(0, ...edges.map((e) => e.fromTrueMm)),
    chainedMm: Math.max(0, ...edges.map((e) => e.chainedMm)),
  };
};
