import { Resvg } from '@resvg/resvg-js';
import { compose, translation, type Affine } from '../../../src/ground/geometry/affine.ts';
import { normalFrom, randomFrom } from '../../../src/ground/random.ts';
import type { Scene } from '../../../src/ground/scene/types.ts';
import { svgNodes, svgText } from '../../../src/files/write/svg.ts';
import type { GreyImage } from '../../../src/workshop/scans/types.ts';

export interface ScanFaults {
  readonly dpi: number;
  /** Glass, mm. */
  readonly wideMm: number;
  readonly highMm: number;
  /** What the scanner makes of a millimetre, each way, and of a square. */
  readonly across?: number;
  readonly down?: number;
  readonly shear?: number;
  readonly blurPx?: number;
  readonly noise?: number;
  readonly dust?: number;
  readonly seed?: number;
}

export interface Laid {
  /** Drawn in millimetres from its own top left. */
  readonly svg: string;
  readonly turnDeg: number;
  readonly atXMm: number;
  readonly atYMm: number;
}

export const laidScene = (scene: Scene, turnDeg: number, atXMm: number, atYMm: number, paper = '#f3efe6'): Laid => ({
  svg: `<rect width="${scene.box.widthMm}" height="${scene.box.heightMm}" fill="${paper}"/>${svgNodes(scene, {
    pictureHref: () => '',
  })
    .map(svgText)
    .join('')}`,
  ...{ turnDeg, atXMm, atYMm },
});
export const laidCard = (
  wide: number,
  high: number,
  turnDeg: number,
  atXMm: number,
  atYMm: number,
  round = 0,
): Laid => ({
  svg: `<rect width="${wide}" height="${high}" rx="${round}" fill="#efece2"/>`,
  ...{ turnDeg, atXMm, atYMm },
});

/** A flatbed’s picture of things on its glass under a black cover, with its own faults; drawn by an independent rasteriser. */
export function scanOf(things: readonly Laid[], faults: ScanFaults): GreyImage {
  const { dpi, wideMm, highMm, across = 1, down = 1, shear = 0, blurPx = 0.6, noise = 3, dust = 0, seed = 1 } = faults;
  const pxPerMm = dpi / 25.4;
  const [w, h] = [Math.round(wideMm * pxPerMm), Math.round(highMm * pxPerMm)];
  const scanner: Affine = [pxPerMm * across, 0, pxPerMm * shear, pxPerMm * down, 0, 0];
  const body = things.map(({ svg, turnDeg, atXMm, atYMm }) => {
    const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
    const map = compose(scanner, compose(translation(atXMm, atYMm), [c, s, -s, c, 0, 0]));
    return `<g transform="matrix(${map.join(' ')})">${svg}</g>`;
  });
  const random = randomFrom(seed);
  const specks = Array.from({ length: dust }, () => {
    const r = (0.05 + 0.25 * random()) * pxPerMm;
    return `<circle cx="${random() * w}" cy="${random() * h}" r="${r}" fill="${random() > 0.5 ? '#ffffff' : '#101010'}"/>`;
  });
  const page = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}"><rect width="${w}" height="${h}" fill="#26272a"/>${body.join('')}${specks.join('')}</svg>`;
  const { pixels } = new Resvg(page, { font: { loadSystemFonts: false } }).render();
  const grey = new Float32Array(w * h);
  for (let i = 0; i < w * h; i += 1)
    grey[i] = 0.299 * pixels[4 * i]! + 0.587 * pixels[4 * i + 1]! + 0.114 * pixels[4 * i + 2]!;
  const soft = blurred(grey, w, h, blurPx);
  const normal = normalFrom(random);
  return {
    widthPx: w,
    heightPx: h,
    grey: Uint8Array.from(soft, (value) => Math.min(255, Math.max(0, Math.round(value + noise * normal())))),
  };
}

function blurred(grey: Float32Array, w: number, h: number, sigma: number): Float32Array {
  const reach = Math.ceil(2.5 * sigma);
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma ** 2)));
  const all = weights.reduce((a, b) => a + b, 0);
  /** Along lines of so many dots, `step` apart; what lies beyond an end is as the end. */
  const pass = (from: Float32Array, lines: number, lineStep: number, length: number, step: number): Float32Array => {
    const to = new Float32Array(w * h);
    for (let line = 0; line < lines; line += 1)
      for (let i = 0; i < length; i += 1) {
        let sum = 0;
        for (let k = -reach; k <= reach; k += 1) {
          const at = i + k < 0 ? 0 : i + k >= length ? length - 1 : i + k;
          sum += weights[k + reach]! * from[line * lineStep + at * step]!;
        }
        to[line * lineStep + i * step] = sum / all;
      }
    return to;
  };
  return pass(pass(grey, h, w, w, 1), w, 1, h, w);
}
