import { inkTotal, type InkLattice } from './inkTotal.ts';

/** Ink that a home printer lays down for a square metre of one solid ink, in millilitres; a maker's own may differ. */
export const ML_PER_M2 = 10;

export interface InkUse {
  /** Of the area, four inks together: 1 is one ink laid solid everywhere. */
  readonly coverage: number;
  /** Share of the area with any ink at all. */
  readonly inked: number;
}

/**
 * Ink of a drawing, from its pixels on white, as a press would mix them; a printer’s own driver may lay less.
 * @param rgba four bytes a pixel, row by row, as a canvas gives them
 * @throws RangeError when the bytes are not whole pixels
 */
export function inkUse(rgba: Uint8ClampedArray | Uint8Array, lattice: InkLattice): InkUse {
  if (rgba.length === 0 || rgba.length % 4 !== 0)
    throw new RangeError(`inkUse: wanted four bytes a pixel, got ${rgba.length} bytes`);
  let [sum, inked] = [0, 0];
  // A drawing has few colours and many pixels: what one asks for is looked up once, to five bits a channel.
  const known = new Float32Array(1 << 15).fill(-1);
  const channel = (bits: number): string => ((bits << 3) | (bits >> 2)).toString(16).padStart(2, '0');
  for (let i = 0; i < rgba.length; i += 4) {
    const [r, g, b] = [rgba[i]! >> 3, rgba[i + 1]! >> 3, rgba[i + 2]! >> 3];
    const key = (r << 10) | (g << 5) | b;
    if (known[key]! < 0) known[key] = inkTotal(`#${channel(r)}${channel(g)}${channel(b)}`, lattice);
    const ink = known[key]!;
    if (ink <= SEEN) continue;
    sum += ink;
    inked += 1;
  }
  const pixels = rgba.length / 4;
  return { coverage: sum / pixels, inked: inked / pixels };
}

/** Rounding of a picture’s whites is no ink. */
const SEEN = 0.03;

/** Millilitres for an area in mm². */
export const inkMl = ({ coverage }: InkUse, areaMm2: number): number => (coverage * areaMm2 * ML_PER_M2) / 1e6;
