import { machineMargins } from '../../workshop/machineMargins.ts';
import svgpath from 'svgpath';
import { apply, type Affine } from '../../ground/geometry/affine.ts';
import type { Point } from '../../ground/geometry/types.ts';
import type { MachineFacts } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { machineSeconds } from '../../stations/cut/planMachine.ts';

/** A printed sheet as the machine’s eye sees it, from above. */
export interface Scan {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pxPerMm: number;
  /** 0 black to 255 white, row by row. */
  readonly grey: Uint8Array | Uint8ClampedArray;
}

export type MachineReport =
  | {
      readonly ok: true;
      /** Where each mark was found on the sheet. */
      readonly marks: readonly Point[];
      /** How far the farthest mark lay from where the file has it. */
      readonly movedMm: Mm;
      /** What was cut, in the sheet’s own millimetres. */
      readonly cuts: readonly (readonly Point[])[];
      readonly seconds: number;
    }
  | { readonly ok: false; readonly why: string };

/** How far from its place a mark is looked for. */
const LOOK_MM = 7;
/** Darker than this is ink. */
const DARK = 110;
/** A blob this much larger or smaller than the mark is something else. */
const AREA_OFF = 0.35;

/**
 * A simulated cutting machine. It reads a cut file, looks for the file’s marks on a printed sheet, and lays the
 * outlines over the print by the one affine map that three marks fix. Knows nothing of plans: only file and sheet.
 */
export function runMachine(svg: string, scan: Scan, facts: MachineFacts, passes: number): MachineReport {
  const file = readCutFile(svg);
  if (!file.ok) return file;
  const wide = Math.min(scan.widthPx, scan.heightPx) / scan.pxPerMm;
  if (wide > facts.widestMm + 0.5)
    return { ok: false, why: `The sheet is ${wide.toFixed(0)} mm wide and the machine takes ${facts.widestMm} mm.` };
  const found: Point[] = [];
  for (const [i, mark] of file.marks.entries()) {
    const at = findMark(mark, scan);
    if (!at)
      return {
        ok: false,
        why: `Mark ${i + 1} was not found within ${LOOK_MM} mm of ${mark.at.xMm.toFixed(1)} mm across and ${mark.at.yMm.toFixed(1)} mm down. Check that the sheet lies the right way round, and that nothing is printed or smudged near the mark.`,
      };
    found.push(at);
  }
  const map = affineThrough(
    file.marks.map((m) => m.at),
    found,
  );
  const cuts = file.cuts.map((path) => path.map((p) => apply(map, p)));
  const { top, right, bottom, left } = machineMargins(facts);
  const out = cuts.flat().find(({ xMm, yMm }) => {
    const [w, h] = [scan.widthPx / scan.pxPerMm, scan.heightPx / scan.pxPerMm];
    return Math.min(xMm - left, yMm - top, w - right - xMm, h - bottom - yMm) < -0.5;
  });
  if (out) return { ok: false, why: 'An outline runs into the margin that the rollers need; the sheet would be torn.' };
  return {
    ok: true,
    marks: found,
    movedMm: Math.max(...found.map((p, i) => distance(p, file.marks[i]!.at))),
    cuts,
    seconds: machineSeconds(cuts, passes, facts),
  };
}

const distance = (a: Point, b: Point): Mm => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);

interface FileMark {
  readonly at: Point;
  readonly areaMm2: number;
}

/** Outlines of the layers “mark” and “cut”, flattened, in the file’s millimetres. */
export function readCutFile(
  svg: string,
):
  | { readonly ok: true; readonly marks: readonly FileMark[]; readonly cuts: readonly (readonly Point[])[] }
  | { readonly ok: false; readonly why: string } {
  const layer = (name: string): readonly (readonly Point[])[] => {
    const group = new RegExp(`<g id="${name}">(.*?)</g>`, 's').exec(svg)?.[1] ?? '';
    return [...group.matchAll(/<path[^>]*\sd="([^"]*)"/g)].flatMap((path) => pointsOf(path[1]!));
  };
  const marks = layer('mark').map((points) => ({
    at: centroid(points.slice(0, -1)),
    areaMm2: Math.abs(areaOf(points)),
  }));
  const cuts = layer('cut');
  if (marks.length !== 3) return { ok: false, why: `The file has ${marks.length} registration marks; it wants three.` };
  if (cuts.length === 0) return { ok: false, why: 'The file has nothing on its cut layer.' };
  return { ok: true, marks, cuts };
}

/** Steps along a curve: a scallop of 20 mm is then within a hundredth of a millimetre. */
const CURVE_STEPS = 24;

function pointsOf(d: string): readonly (readonly Point[])[] {
  const figures: Point[][] = [];
  svgpath(d)
    .abs()
    .unshort()
    .unarc()
    .iterate((part, _i, x, y) => {
      const [kind, ...n] = part as [string, ...number[]];
      const own = figures.at(-1);
      if (kind === 'Z' && own) own.push(own[0]!);
      else if (kind === 'M') figures.push([{ xMm: n[0]!, yMm: n[1]! }]);
      else if (kind === 'L') own?.push({ xMm: n[0]!, yMm: n[1]! });
      else if (kind === 'H') own?.push({ xMm: n[0]!, yMm: y });
      else if (kind === 'V') own?.push({ xMm: x, yMm: n[0]! });
      else if (kind === 'C')
        for (let k = 1; k <= CURVE_STEPS; k += 1) {
          const t = k / CURVE_STEPS;
          const u = 1 - t;
          const at = (a: number, b: number, c: number, e: number): number =>
            u ** 3 * a + 3 * u * u * t * b + 3 * u * t * t * c + t ** 3 * e;
          own?.push({ xMm: at(x, n[0]!, n[2]!, n[4]!), yMm: at(y, n[1]!, n[3]!, n[5]!) });
        }
    });
  return figures.filter((points) => points.length > 1);
}

const areaOf = (points: readonly Point[]): number =>
  points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length]!;
    return sum + (p.xMm * q.yMm - q.xMm * p.yMm) / 2;
  }, 0);

const centroid = (points: readonly Point[]): Point => ({
  xMm: points.reduce((sum, p) => sum + p.xMm, 0) / points.length,
  yMm: points.reduce((sum, p) => sum + p.yMm, 0) / points.length,
});

/** The middle of the one blob near a place that is as large as the mark; ink that runs out of sight is none. */
function findMark({ at, areaMm2 }: FileMark, { widthPx, heightPx, pxPerMm, grey }: Scan): Point | null {
  const [left, top] = [at.xMm - LOOK_MM, at.yMm - LOOK_MM].map((mm) => Math.max(0, Math.floor(mm * pxPerMm)));
  const right = Math.min(widthPx - 1, Math.ceil((at.xMm + LOOK_MM) * pxPerMm));
  const bottom = Math.min(heightPx - 1, Math.ceil((at.yMm + LOOK_MM) * pxPerMm));
  const [w, h] = [right - left! + 1, bottom - top! + 1];
  if (w < 2 || h < 2) return null;
  const dark = (x: number, y: number): boolean => grey[(top! + y) * widthPx + left! + x]! < DARK;
  const seen = new Uint8Array(w * h);
  let best: { readonly at: Point; readonly off: Mm } | null = null;
  for (let start = 0; start < w * h; start += 1) {
    if (seen[start] || !dark(start % w, Math.floor(start / w))) continue;
    const stack = [start];
    seen[start] = 1;
    let [count, sx, sy, touches] = [0, 0, 0, false];
    while (stack.length > 0) {
      const k = stack.pop()!;
      const [x, y] = [k % w, Math.floor(k / w)];
      count += 1;
      sx += x;
      sy += y;
      touches ||= x === 0 || y === 0 || x === w - 1 || y === h - 1;
      for (const [nx, ny] of [
        [x + 1, y],
        [x - 1, y],
        [x, y + 1],
        [x, y - 1],
      ] as const) {
        if (nx < 0 || ny < 0 || nx >= w || ny >= h || seen[ny * w + nx] || !dark(nx, ny)) continue;
        seen[ny * w + nx] = 1;
        stack.push(ny * w + nx);
      }
    }
    const area = count / pxPerMm ** 2;
    if (touches || Math.abs(area / areaMm2 - 1) > AREA_OFF) continue;
    const middle = { xMm: (left! + sx / count + 0.5) / pxPerMm, yMm: (top! + sy / count + 0.5) / pxPerMm };
    const off = distance(middle, at);
    if (!best || off < best.off) best = { at: middle, off };
  }
  return best?.at ?? null;
}

/** The one affine map that carries three points to three others. Source: Cramer’s rule */
function affineThrough(from: readonly Point[], to: readonly Point[]): Affine {
  const [p, q, r] = from as [Point, Point, Point];
  const det = (q.xMm - p.xMm) * (r.yMm - p.yMm) - (r.xMm - p.xMm) * (q.yMm - p.yMm);
  const row = (u: number, v: number, w: number): readonly [number, number, number] => {
    const a = ((v - u) * (r.yMm - p.yMm) - (w - u) * (q.yMm - p.yMm)) / det;
    const c = ((w - u) * (q.xMm - p.xMm) - (v - u) * (r.xMm - p.xMm)) / det;
    return [a, c, u - a * p.xMm - c * p.yMm];
  };
  const [a, c, e] = row(to[0]!.xMm, to[1]!.xMm, to[2]!.xMm);
  const [b, d, f] = row(to[0]!.yMm, to[1]!.yMm, to[2]!.yMm);
  return [a, b, c, d, e, f];
}
