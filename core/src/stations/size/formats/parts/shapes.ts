import svgpath from 'svgpath';
import { boxAround } from '../../../../ground/geometry/box.ts';
import type { Path } from '../../../../ground/geometry/path.ts';
import { areaOf, FLATNESS_MM, flatten, moved, type Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Box, Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { ShapeId } from '../../../../job/format.ts';

/** Chords of a circle of this radius that stay within the flatness: sagitta = r(1 − cos(step/2)). */
export function stepsFor(radiusMm: Mm): number {
  const step = 2 * Math.acos(1 - Math.min(0.5, FLATNESS_MM / radiusMm));
  return Math.ceil((2 * Math.PI) / step / 8) * 8;
}

const round = (count: number, at: (turn: number) => Point): Polygon =>
  Array.from({ length: count }, (_, i) => at((2 * Math.PI * i) / count));

function oval(w: Mm, h: Mm): Polygon {
  return round(stepsFor(Math.max(w, h) / 2), (t) => ({
    xMm: w / 2 + (w / 2) * Math.cos(t),
    yMm: h / 2 + (h / 2) * Math.sin(t),
  }));
}

/** Straight sides under half an ellipse; as tall as half the width where there is room. */
function arch(w: Mm, h: Mm): Polygon {
  const rise = Math.min(w / 2, h * 0.7);
  const count = stepsFor(Math.max(w / 2, rise)) / 2;
  const crown = Array.from({ length: count + 1 }, (_, i): Point => {
    const t = Math.PI + (Math.PI * i) / count;
    return { xMm: w / 2 + (w / 2) * Math.cos(t), yMm: rise + rise * Math.sin(t) };
  });
  return [...crown, { xMm: w, yMm: h }, { xMm: 0, yMm: h }];
}

/** A shell’s rim: twelve lobes round an oval, scaled to fill its box. */
function scallop(w: Mm, h: Mm): Polygon {
  const LOBES = 12;
  const swell = 0.045;
  const each = Math.ceil(stepsFor(Math.max(w, h) / 2) / LOBES) * LOBES;
  return fitted(
    round(each, (t) => {
      const r = 1 - swell + swell * Math.abs(Math.cos((LOBES * t) / 2)) ** 0.5;
      return { xMm: r * Math.cos(t), yMm: r * Math.sin(t) };
    }),
    w,
    h,
  );
}

/** Two lobes and a point, as four cubics. */
function heart(w: Mm, h: Mm): Polygon {
  const p = (x: number, y: number): Point => ({ xMm: x * 100, yMm: y * 100 });
  const path: Path = [
    { kind: 'move', to: p(0.5, 0.26) },
    { kind: 'curve', c1: p(0.58, 0.06), c2: p(0.98, -0.02), to: p(0.98, 0.34) },
    { kind: 'curve', c1: p(0.98, 0.6), c2: p(0.66, 0.78), to: p(0.5, 1) },
    { kind: 'curve', c1: p(0.34, 0.78), c2: p(0.02, 0.6), to: p(0.02, 0.34) },
    { kind: 'curve', c1: p(0.02, -0.02), c2: p(0.42, 0.06), to: p(0.5, 0.26) },
    { kind: 'close' },
  ];
  // Flattened at its own size, so that the flatness holds on paper.
  return fitted(flatten(scaled(path, Math.max(w, h) / 100))[0]!, w, h);
}

function roundedSquare(w: Mm, h: Mm): Polygon {
  const r = Math.min(w, h) * 0.2;
  const quarter = stepsFor(r) / 4;
  const corner = (cx: Mm, cy: Mm, from: number): readonly Point[] =>
    Array.from({ length: quarter + 1 }, (_, i) => {
      const t = from + ((Math.PI / 2) * i) / quarter;
      return { xMm: cx + r * Math.cos(t), yMm: cy + r * Math.sin(t) };
    });
  return [
    ...corner(w - r, h - r, 0),
    ...corner(r, h - r, Math.PI / 2),
    ...corner(r, r, Math.PI),
    ...corner(w - r, r, 1.5 * Math.PI),
  ];
}

const scaled = (path: Path, by: number): Path => {
  const p = ({ xMm, yMm }: Point): Point => ({ xMm: xMm * by, yMm: yMm * by });
  return path.map((part) =>
    part.kind === 'close'
      ? part
      : part.kind === 'curve'
        ? { ...part, c1: p(part.c1), c2: p(part.c2), to: p(part.to) }
        : { ...part, to: p(part.to) },
  );
};

/** Stretched to fill a box from the origin. */
export function fitted(polygon: Polygon, w: Mm, h: Mm): Polygon {
  const box = boxAround(polygon);
  return moved(polygon, -box.xMm, -box.yMm).map(({ xMm, yMm }) => ({
    xMm: (xMm * w) / box.widthMm,
    yMm: (yMm * h) / box.heightMm,
  }));
}

export type ReadOutline =
  { readonly ok: true; readonly polygon: Polygon } | { readonly ok: false; readonly why: string };

type ReadPath =
  { readonly ok: true; readonly path: Path; readonly box: Box } | { readonly ok: false; readonly why: string };

/** The box of the maker’s own outline in the measures of its path; null for what is none. */
export function ownBox(data: string): Box | null {
  const read = readPath(data);
  return read.ok ? read.box : null;
}

/**
 * The maker’s own outline from SVG path data, filling a box.
 * Source: path data as in Scalable Vector Graphics 2, chapter 9.
 */
export function ownOutline(data: string, w: Mm, h: Mm): ReadOutline {
  const read = readPath(data);
  if (!read.ok) return read;
  const { path, box } = read;
  const final = flatten(scaled(path, Math.max(w / box.widthMm, h / box.heightMm)))[0]!;
  return { ok: true, polygon: fitted(final, w, h) };
}

function readPath(data: string): ReadPath {
  if (data.trim() === '') return { ok: false, why: 'it is empty; paste the d attribute of one closed path' };
  const parsed = svgpath(data).abs().unshort().unarc();
  const error = (parsed as unknown as { readonly err?: string }).err;
  if (error)
    return {
      ok: false,
      why: 'it is not SVG path data; paste the d attribute of one path, such as M0 0 L40 0 L20 30 Z',
    };
  const path: Path[number][] = [];
  parsed.iterate((segment, _index, x, y) => {
    const n = segment.slice(1) as number[];
    const to = (i: number): Point => ({ xMm: n[i]!, yMm: n[i + 1]! });
    switch (segment[0]) {
      case 'M':
        path.push({ kind: 'move', to: to(0) });
        break;
      case 'L':
        path.push({ kind: 'line', to: to(0) });
        break;
      case 'H':
        path.push({ kind: 'line', to: { xMm: n[0]!, yMm: y } });
        break;
      case 'V':
        path.push({ kind: 'line', to: { xMm: x, yMm: n[0]! } });
        break;
      case 'C':
        path.push({ kind: 'curve', c1: to(0), c2: to(2), to: to(4) });
        break;
      case 'Q': {
        // A quadratic is the cubic whose handles lie two thirds of the way to its own.
        const [q, end] = [to(0), to(2)];
        const third = (a: number, b: number): number => a + (2 / 3) * (b - a);
        path.push({
          kind: 'curve',
          c1: { xMm: third(x, q.xMm), yMm: third(y, q.yMm) },
          c2: { xMm: third(end.xMm, q.xMm), yMm: third(end.yMm, q.yMm) },
          to: end,
        });
        break;
      }
      default:
        path.push({ kind: 'close' });
    }
  });
  const rough = flatten(path);
  if (rough.length === 0) return { ok: false, why: 'it draws no area; it wants at least three corners' };
  if (rough.length > 1)
    return { ok: false, why: `it holds ${rough.length} figures; a card’s outline is one closed figure without holes` };
  const box = boxAround(rough[0]!);
  if (box.widthMm <= 0 || box.heightMm <= 0 || areaOf(rough[0]!) < 1e-9)
    return { ok: false, why: 'it draws no area; it wants at least three corners that are not in line' };
  return { ok: true, path, box };
}

const DRAWN: Readonly<Record<Exclude<ShapeId, 'own'>, (w: Mm, h: Mm) => Polygon>> = {
  oval,
  arch,
  scallop,
  heart,
  roundedSquare,
};

/** A shape filling a box from the origin; an own path that cannot be read is drawn as an oval until it can. */
export function shapeOutline(shape: ShapeId, path: string, w: Mm, h: Mm): Polygon {
  if (shape !== 'own') return DRAWN[shape](w, h);
  const read = ownOutline(path, w, h);
  return read.ok ? read.polygon : oval(w, h);
}
