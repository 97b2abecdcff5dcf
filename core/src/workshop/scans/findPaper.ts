import { apply, invert } from '../../ground/geometry/affine.ts';
import type { Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { fitLine } from './fitLine.ts';
import { median } from './median.ts';
import { SHEET_EDGES, type Edge, type FoundPaper, type GreyImage, type SheetEdge, type ScanFrame } from './types.ts';

/** Paper is looked for in dots of about this size; its edges are then found in the scan’s own. */
const COARSE_MM = 0.4;
/** Light that is smaller is dust, or a mark. */
const LEAST_MM = 20;
/** Paper that comes nearer to the edge of the scan runs off it. */
const OFF_MM = 0.8;
/** The part of an edge that is looked at: corners are rounded, and turned paper shows two edges there. */
const [FROM_SHARE, TO_SHARE] = [0.14, 0.86] as const;
const SAMPLES = 160;
/** How far to both sides of where an edge should be it is looked for. */
const REACH_MM = 2;
/** What is looked at to know the ground and the paper, at both ends of that. */
const LEVEL_MM = 0.6;
/** Paper and ground that differ less cannot be told apart surely. */
const LEAST_CONTRAST = 35;

/** Every piece of light paper on a dark ground, straight to within a few degrees, from the left to the right. */
export function findPaper(image: GreyImage, frame: ScanFrame): readonly FoundPaper[] {
  const dotMm = Math.sqrt(Math.abs(frame[0] * frame[3] - frame[1] * frame[2]));
  const by = Math.max(1, Math.round(COARSE_MM / dotMm));
  const coarse = smaller(image, by);
  const level = threshold(coarse.grey);
  if (level === null) return [];
  const found = blobs(coarse, level, LEAST_MM / (by * dotMm));
  return found
    .map((blob) => paperOf(blob, image, frame, by))
    .sort((a, b) => a.box.xMm - b.box.xMm || a.box.yMm - b.box.yMm);
}

/** Squares of dots as their mean. */
function smaller({ widthPx, heightPx, grey }: GreyImage, by: number): GreyImage {
  const [w, h] = [Math.floor(widthPx / by), Math.floor(heightPx / by)];
  const small = new Uint8Array(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      let sum = 0;
      for (let v = 0; v < by; v += 1) for (let u = 0; u < by; u += 1) sum += grey[(y * by + v) * widthPx + x * by + u]!;
      small[y * w + x] = sum / by ** 2;
    }
  return { widthPx: w, heightPx: h, grey: small };
}

/** The level that parts dark from light best. Source: N. Otsu, A threshold selection method from gray-level histograms, 1979 */
function threshold(grey: GreyImage['grey']): number | null {
  const counts = new Float64Array(256);
  for (const level of grey) counts[level]! += 1;
  let [below, belowSum] = [0, 0];
  const total = grey.length;
  const all = counts.reduce((sum, count, level) => sum + count * level, 0);
  let [best, bestAt, contrast] = [-1, 127, 0];
  for (let level = 0; level < 255; level += 1) {
    below += counts[level]!;
    belowSum += counts[level]! * level;
    if (below === 0 || below === total) continue;
    const between = below * (total - below) * (belowSum / below - (all - belowSum) / (total - below)) ** 2;
    if (between > best)
      [best, bestAt, contrast] = [between, level + 0.5, (all - belowSum) / (total - below) - belowSum / below];
  }
  // Of nothing but ground it parts noise from noise.
  return contrast < LEAST_CONTRAST ? null : bestAt;
}

/** What hangs together and is light: for each row the first and the last dot of it, and for each column. */
interface Blob {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly rows: readonly (readonly [number, number])[];
  readonly columns: readonly (readonly [number, number])[];
}

function blobs({ widthPx: w, heightPx: h, grey }: GreyImage, level: number, leastPx: number): readonly Blob[] {
  const seen = new Uint8Array(w * h);
  const found: Blob[] = [];
  const stack: number[] = [];
  for (let start = 0; start < w * h; start += 1) {
    if (seen[start] || grey[start]! < level) continue;
    const rows = new Map<number, [number, number]>();
    const columns = new Map<number, [number, number]>();
    const note = (of: Map<number, [number, number]>, at: number, value: number): void => {
      const span = of.get(at);
      if (!span) of.set(at, [value, value]);
      else if (value < span[0]) span[0] = value;
      else if (value > span[1]) span[1] = value;
    };
    seen[start] = 1;
    stack.push(start);
    while (stack.length > 0) {
      const k = stack.pop()!;
      const [x, y] = [k % w, Math.floor(k / w)];
      note(rows, y, x);
      note(columns, x, y);
      for (const next of [x > 0 ? k - 1 : -1, x < w - 1 ? k + 1 : -1, k - w, k + w]) {
        if (next < 0 || next >= w * h || seen[next] || grey[next]! < level) continue;
        seen[next] = 1;
        stack.push(next);
      }
    }
    const [ys, xs] = [[...rows.keys()].sort((a, b) => a - b), [...columns.keys()].sort((a, b) => a - b)];
    if (xs.length < leastPx || ys.length < leastPx) continue;
    found.push({
      ...{ left: xs[0]!, right: xs.at(-1)!, top: ys[0]!, bottom: ys.at(-1)! },
      rows: ys.map((y) => rows.get(y)!),
      columns: xs.map((x) => columns.get(x)!),
    });
  }
  return found;
}

function paperOf(blob: Blob, image: GreyImage, frame: ScanFrame, by: number): FoundPaper {
  const back = invert(frame);
  const toMm = (x: number, y: number): Point => apply(frame, { xMm: x, yMm: y });
  const coarse = (x: number, y: number): Point => toMm((x + 0.5) * by, (y + 0.5) * by);
  const [from, to] = [coarse(blob.left - 0.5, blob.top - 0.5), coarse(blob.right + 0.5, blob.bottom + 0.5)];
  const last = toMm(image.widthPx, image.heightPx);
  const isOff: Readonly<Record<SheetEdge, boolean>> = {
    left: from.xMm < OFF_MM,
    top: from.yMm < OFF_MM,
    right: last.xMm - to.xMm < OFF_MM,
    bottom: last.yMm - to.yMm < OFF_MM,
  };
  const middle = <T>(of: readonly T[]): readonly T[] =>
    of.slice(Math.floor(of.length * FROM_SHARE), Math.ceil(of.length * TO_SHARE));
  const guesses: Readonly<Record<SheetEdge, readonly Point[]>> = {
    left: middle(blob.rows.map(([x], i) => coarse(x - 0.5, blob.top + i))),
    right: middle(blob.rows.map(([, x], i) => coarse(x + 0.5, blob.top + i))),
    top: middle(blob.columns.map(([y], i) => coarse(blob.left + i, y - 0.5))),
    bottom: middle(blob.columns.map(([, y], i) => coarse(blob.left + i, y + 0.5))),
  };
  const grey = (at: Point): number => sample(image, apply(back, at));
  const dotMm = Math.sqrt(Math.abs(frame[0] * frame[3] - frame[1] * frame[2]));
  const edges = Object.fromEntries(
    SHEET_EDGES.map((side) => [side, isOff[side] ? null : edgeOf(guesses[side], side, grey, dotMm)]),
  ) as FoundPaper['edges'];
  return {
    edges,
    box: { xMm: from.xMm, yMm: from.yMm, widthMm: to.xMm - from.xMm, heightMm: to.yMm - from.yMm },
  };
}

/** Into the paper, from each of its edges. */
const INWARD: Readonly<Record<SheetEdge, Point>> = {
  left: { xMm: 1, yMm: 0 },
  right: { xMm: -1, yMm: 0 },
  top: { xMm: 0, yMm: 1 },
  bottom: { xMm: 0, yMm: -1 },
};

/** Where the grey between ground and paper is crossed half way, all along an edge, and the line through that. */
function edgeOf(guess: readonly Point[], side: SheetEdge, grey: (at: Point) => number, dotMm: Mm): Edge | null {
  const rough = fitLine(guess);
  if (!rough) return null;
  const inward = INWARD[side];
  const [first, last] = [guess[0]!, guess.at(-1)!];
  const t = (p: Point): number => (p.xMm - rough.at.xMm) * rough.along.xMm + (p.yMm - rough.at.yMm) * rough.along.yMm;
  const [t0, t1] = [t(first), t(last)];
  const points: Point[] = [];
  const steps = Math.ceil((2 * REACH_MM) / (dotMm / 4));
  const ends = Math.round(LEVEL_MM / (dotMm / 4));
  for (let i = 0; i <= SAMPLES; i += 1) {
    const s = t0 + ((t1 - t0) * i) / SAMPLES;
    const base = { xMm: rough.at.xMm + s * rough.along.xMm, yMm: rough.at.yMm + s * rough.along.yMm };
    const off = (k: number): Mm => -REACH_MM + (2 * REACH_MM * k) / steps;
    const at = (mm: Mm): Point => ({ xMm: base.xMm + mm * inward.xMm, yMm: base.yMm + mm * inward.yMm });
    const profile = Array.from({ length: steps + 1 }, (_, k) => grey(at(off(k))));
    const ground = median(profile.slice(0, ends));
    const paper = median(profile.slice(-ends));
    if (paper - ground < LEAST_CONTRAST) continue;
    const half = (ground + paper) / 2;
    // From the paper outwards: a speck on the ground is not the edge.
    for (let k = steps; k > 0; k -= 1) {
      const [outer, inner] = [profile[k - 1]!, profile[k]!];
      if (inner < half || outer >= half) continue;
      points.push(at(off(k - 1) + ((half - outer) / (inner - outer)) * (off(k) - off(k - 1))));
      break;
    }
  }
  return points.length < SAMPLES / 3 ? null : fitLine(points);
}

/** The grey between four dots; a dot’s own at its middle. */
export function sample({ widthPx, heightPx, grey }: GreyImage, { xMm: x, yMm: y }: Point): number {
  const [u, v] = [Math.min(Math.max(x - 0.5, 0), widthPx - 1.001), Math.min(Math.max(y - 0.5, 0), heightPx - 1.001)];
  const [left, top] = [Math.floor(u), Math.floor(v)];
  const [fx, fy] = [u - left, v - top];
  const k = top * widthPx + left;
  return (
    (grey[k]! * (1 - fx) + grey[k + 1]! * fx) * (1 - fy) +
    (grey[k + widthPx]! * (1 - fx) + grey[k + widthPx + 1]! * fx) * fy
  );
}
