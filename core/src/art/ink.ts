/** Ink that a home printer lays down for a square metre of one solid ink, in millilitres; a maker's own may differ. */
export const ML_PER_M2 = 10;

export interface InkUse {
  /** Of the area, four inks together: 1 is one ink laid solid everywhere. */
  readonly coverage: number;
  /** Share of the area with any ink at all. */
  readonly inked: number;
}

/**
 * Ink of a drawing, from its pixels on white: what the three colours have in common is printed as black.
 * Source: grey component replacement in full, C = 1 − R and so on, K = min(C, M, Y)
 * @param rgba four bytes a pixel, row by row, as a canvas gives them
 * @throws RangeError when the bytes are not whole pixels
 */
export function inkUse(rgba: Uint8ClampedArray | Uint8Array): InkUse {
  if (rgba.length === 0 || rgba.length % 4 !== 0)
    throw new RangeError(`inkUse: wanted four bytes a pixel, got ${rgba.length} bytes`);
  let [sum, inked] = [0, 0];
  for (let i = 0; i < rgba.length; i += 4) {
    const c = 255 - rgba[i]!;
    const m = 255 - rgba[i + 1]!;
    const y = 255 - rgba[i + 2]!;
    const k = Math.min(c, m, y);
    // Black takes the place of all three.
    const ink = c + m + y - 2 * k;
    sum += ink;
    if (ink > SEEN) inked += 1;
  }
  const pixels = rgba.length / 4;
  return { coverage: sum / 255 / pixels, inked: inked / pixels };
}

/** Rounding of a picture’s whites is no ink. */
const SEEN = 8;

/** Millilitres for an area in mm². */
export const inkMl = ({ coverage }: InkUse, areaMm2: number): number => (coverage * areaMm2 * ML_PER_M2) / 1e6;
