import { contours } from 'd3-contour';
import { Clipper } from 'clipper2-ts/dist/Clipper.js';
import { boxAround } from '../../../ground/geometry/box.ts';
import { offset, united } from '../../../ground/geometry/offset.ts';
import { areaOf, signedArea, type Polygon } from '../../../ground/geometry/polygon.ts';

export type Traced =
  | {
      readonly ok: true;
      /** SVG path data of one closed figure, in pixels of the picture from its top left corner. */
      readonly path: string;
    }
  | { readonly ok: false; readonly why: 'clear' | 'filled' | 'apart'; readonly pieces: number };

/** Half covered is the edge. */
const EDGE = 127.5;
/** Specks smaller than this share of all of it are none of the figure. */
const SPECK = 0.002;
/** So far apart, as shares of the longer side, parts are still joined by the card between them. */
const JOINED_OVER = [0, 0.01, 0.02, 0.04, 0.08];
/** How far the path may lie off the true edge, as a share of the height: a twentieth of a millimetre on a tall figure. */
const OFF = 0.001;

/**
 * The outline of what is drawn on a clear ground, in one piece: what is apart is joined where a little card does it.
 * @param alpha of every pixel, 0 clear to 255, row by row
 * @param scale from these pixels to those of the path
 * Source: marching squares between pixel middles; Ramer 1972 and Douglas and Peucker 1973 for fewer corners
 */
export function traceOutline(
  alpha: ArrayLike<number>,
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
  scale = 1,
): Traced {
  const rings = ringsOf(alpha, widthPx, heightPx);
  if (rings.length === 0) return { ok: false, why: 'clear', pieces: 0 };
  const all = rings.reduce((sum, ring) => sum + areaOf(ring), 0);
  if (all > widthPx * heightPx * (1 - SPECK)) return { ok: false, why: 'filled', pieces: 1 };
  const { widthMm: wide, heightMm: high } = boxAround(rings.flat());
  const kept = rings.filter((ring) => areaOf(ring) > all * SPECK);
  let pieces = kept.length;
  for (const share of JOINED_OVER) {
    const over = (share * Math.max(wide, high)) / 2;
    const grown = outerOf(united(kept.flatMap((ring) => offset(ring, over, 'round'))));
    pieces = grown.length;
    if (pieces > 1) continue;
    const [outline] = outerOf(over === 0 ? grown : offset(grown[0]!, -over, 'round'));
    if (outline) return { ok: true, path: asPath(fewer(outline, high * OFF), scale) };
  }
  return { ok: false, why: 'apart', pieces };
}

/** Outer edges of what is covered, in pixels; a clear border all round closes what runs off the picture. */
function ringsOf(alpha: ArrayLike<number>, wide: number, high: number): readonly Polygon[] {
  const [w, h] = [wide + 2, high + 2];
  const padded = new Array<number>(w * h).fill(0);
  for (let y = 0; y < high; y += 1)
    for (let x = 0; x < wide; x += 1) padded[(y + 1) * w + x + 1] = alpha[y * wide + x]!;
  const [found] = contours().size([w, h]).thresholds([EDGE])(padded);
  return found!.coordinates.map(([outer]) => outer!.slice(0, -1).map(([x, y]) => ({ xMm: x! - 1, yMm: y! - 1 })));
}

/** Holes run the other way round than what they are in. */
const outerOf = (polygons: readonly Polygon[]): readonly Polygon[] =>
  polygons.filter((polygon) => Math.sign(signedArea(polygon)) === Math.sign(signedArea(polygons[0]!)));

const fewer = (polygon: Polygon, offPx: number): Polygon =>
  Clipper.ramerDouglasPeuckerD(
    polygon.map(({ xMm, yMm }) => ({ x: xMm, y: yMm })),
    offPx,
  ).map(({ x, y }) => ({ xMm: x, yMm: y }));

const asPath = (polygon: Polygon, scale: number): string => {
  const said = (px: number): string => String(Math.round(px * scale * 100) / 100);
  return `M${polygon.map(({ xMm, yMm }) => `${said(xMm)} ${said(yMm)}`).join('L')}Z`;
};
