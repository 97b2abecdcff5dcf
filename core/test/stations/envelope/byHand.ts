import type { Point } from '../../../src/ground/geometry/types.ts';
import type { EnvelopePanel } from '../../../src/stations/envelope/styles/types.ts';

/** Folding written again, for holding the core’s own against: z rises toward who looks at the inside. */
export type V = readonly [number, number, number];

const sub = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const add = (a: V, b: V, by = 1): V => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by];
const dot = (a: V, b: V): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const unit = (a: V): V => {
  const l = Math.sqrt(dot(a, a));
  return [a[0] / l, a[1] / l, a[2] / l];
};

/**
 * What is along the crease stays; what is across swings from level outward up to z and over. The part lies to the right
 * of its crease, as its outline runs clockwise.
 */
function swing(at: Point, [from, to]: readonly [Point, Point], deg: number): V {
  const a: V = [from.xMm, from.yMm, 0];
  const u = unit(sub([to.xMm, to.yMm, 0], a));
  const out: V = [-u[1], u[0], 0];
  const r = sub([at.xMm, at.yMm, 0], a);
  const t = (deg * Math.PI) / 180;
  const d = dot(r, out);
  return add(add(add(a, u, dot(r, u)), out, d * Math.cos(t)), [0, 0, 1], d * Math.sin(t));
}

/**
 * Where a point of a flat part comes to lie once all is shut. It is swung about its own crease while all is flat, then
 * carried along by the part that this hangs by, as three points of that part are.
 */
export function shut(panels: readonly EnvelopePanel[], panel: EnvelopePanel, at: Point): V {
  const { hangs, outline } = panel;
  if (!hangs) return [at.xMm, at.yMm, 0];
  const [x, y, z] = swing(at, [outline[0]!, outline[1]!], hangs.way === 'toward' ? hangs.shutDeg : -hangs.shutDeg);
  const on = panels.find(({ id }) => id === hangs.on)!;
  const o = shut(panels, on, { xMm: 0, yMm: 0 });
  const ex = sub(shut(panels, on, { xMm: 1, yMm: 0 }), o);
  const ey = sub(shut(panels, on, { xMm: 0, yMm: 1 }), o);
  const ez: V = [ex[1] * ey[2] - ex[2] * ey[1], ex[2] * ey[0] - ex[0] * ey[2], ex[0] * ey[1] - ex[1] * ey[0]];
  return add(add(add(o, ex, x), ey, y), ez, z);
}

export const shutAll = (panels: readonly EnvelopePanel[], id: string): readonly V[] => {
  const panel = panels.find((one) => one.id === id)!;
  return panel.outline.map((at) => shut(panels, panel, at));
};

/** By counting crossings of a ray. */
export function within(p: Point, polygon: readonly Point[]): boolean {
  let inside = false;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    if (a.yMm > p.yMm !== b.yMm > p.yMm && p.xMm < ((b.xMm - a.xMm) * (p.yMm - a.yMm)) / (b.yMm - a.yMm) + a.xMm)
      inside = !inside;
  });
  return inside;
}

export function fromEdges(p: Point, polygon: readonly Point[]): number {
  return Math.min(
    ...polygon.map((a, i) => {
      const b = polygon[(i + 1) % polygon.length]!;
      const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
      const t = Math.min(
        1,
        Math.max(0, ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / Math.max(1e-18, dx * dx + dy * dy)),
      );
      return Math.hypot(p.xMm - a.xMm - t * dx, p.yMm - a.yMm - t * dy);
    }),
  );
}

export const shoelace = (polygon: readonly Point[]): number =>
  Math.abs(
    polygon.reduce((sum, a, i) => {
      const b = polygon[(i + 1) % polygon.length]!;
      return sum + a.xMm * b.yMm - b.xMm * a.yMm;
    }, 0) / 2,
  );
