import type { Deg } from '../../ground/length/types.ts';
import type { GaugeLine } from './types.ts';

/** Where a strip’s middle line is, in shares of its overhang: out from the edge, and down from it. */
export interface DroopPoint {
  readonly out: number;
  readonly down: number;
}

/** Steps along the strip, and halvings of what is sought: both far finer than an eye and a ruler. */
const STEPS = 240;
const HALVINGS = 48;

/**
 * The shape of a strip that hangs out level over an edge and bends under its own weight alone.
 * Derivation: the elastica with an even load. At s along an overhang of one, inclined by θ below level, the moment of what
 * hangs beyond it gives θ″ = −k·(1 − s)·cosθ with θ(0) = 0 and, at the free end, θ′(1) = 0, where k = w·L³ ÷ D (w weight
 * per area, D rigidity per width). The bend at the edge is sought by halves so that the free end has none; each try is
 * integrated by Runge and Kutta’s fourth order.
 * @param load k above, up to 20 or so, which hangs past any line of a gauge; nought is a stiff rod
 */
export function droop(load: number): readonly DroopPoint[] {
  let [low, high] = [0, load];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (hang(load, middle).endBend > 0) high = middle;
    else low = middle;
  }
  return hang(load, (low + high) / 2).points;
}

function hang(load: number, bendAtEdge: number): { readonly endBend: number; readonly points: readonly DroopPoint[] } {
  const h = 1 / STEPS;
  const points: DroopPoint[] = [{ out: 0, down: 0 }];
  let [angle, bend, out, down] = [0, bendAtEdge, 0, 0];
  const change = (s: number, at: number): number => -load * (1 - s) * Math.cos(at);
  for (let i = 0; i < STEPS; i += 1) {
    const s = i * h;
    const [a1, b1] = [bend, change(s, angle)];
    const [a2, b2] = [bend + (h / 2) * b1, change(s + h / 2, angle + (h / 2) * a1)];
    const [a3, b3] = [bend + (h / 2) * b2, change(s + h / 2, angle + (h / 2) * a2)];
    const [a4, b4] = [bend + h * b3, change(s + h, angle + h * a3)];
    const [half, whole] = [angle + (h / 2) * a2, angle + h * a3];
    out += (h / 6) * (Math.cos(angle) + 4 * Math.cos(half) + Math.cos(whole));
    down += (h / 6) * (Math.sin(angle) + 4 * Math.sin(half) + Math.sin(whole));
    angle += (h / 6) * (a1 + 2 * a2 + 2 * a3 + a4);
    bend += (h / 6) * (b1 + 2 * b2 + 2 * b3 + b4);
    points.push({ out, down });
  }
  return { endBend: bend, points };
}

/** How far below level the end of such a strip is seen from the edge. */
export const droopDeg = (load: number): Deg => endDeg(droop(load));

function endDeg(shape: readonly DroopPoint[]): Deg {
  const { out, down } = shape.at(-1)!;
  return (Math.atan2(down, out) * 180) / Math.PI;
}

/** Bending length ÷ overhang where a strip’s end meets each line. */
export const SHARE_OF: Readonly<Record<GaugeLine, number>> = { half: 1 / 2, threeQuarters: 3 / 4, whole: 1 };

const shapes = new Map<GaugeLine, readonly DroopPoint[]>();
/**
 * The shape of a strip whose end meets a line. The bending length c is defined by D = w·c³, so an overhang of c ÷ share
 * hangs under a load of 1 ÷ share³.
 */
export function droopTo(line: GaugeLine): readonly DroopPoint[] {
  const known = shapes.get(line) ?? droop(1 / SHARE_OF[line] ** 3);
  shapes.set(line, known);
  return known;
}

/**
 * How far below level a line of the gauge runs from the edge. Source: F. T. Peirce, “The ‘handle’ of cloth as a measurable
 * quantity”, 1930, whose 41.5° the half comes to.
 */
export const lineDeg = (line: GaugeLine): Deg => endDeg(droopTo(line));
