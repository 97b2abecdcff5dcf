import sharp, { type Sharp } from 'sharp';
import { latticeValue, type InkLattice } from '@zippy/core';

/** Pixels of a picture as four bytes of ink each, as the picture library’s own press profile mixes them. */
export const inFourInks = (image: Sharp): Promise<Buffer> => image.removeAlpha().toColourspace('cmyk').raw().toBuffer();

/** The four bytes of ink of a pixel together. */
const sumAt = (inks: Buffer, pixel: number): number =>
  inks[4 * pixel]! + inks[4 * pixel + 1]! + inks[4 * pixel + 2]! + inks[4 * pixel + 3]!;

/** To three decimals, 1 for one ink laid solid. */
const inInks = (sum: number): number => Math.round((sum / 255) * 1000) / 1000;

/** Finer than this, what lies between the crossings is within a few hundredths of the profile’s own. */
const STEPS = 17;
let lattice: Promise<InkLattice> | null = null;

/** Ink of every colour by the profile; read off once for the life of the process. */
export function loadInkLattice(): Promise<InkLattice> {
  lattice ??= (async () => {
    const values = Array.from({ length: STEPS }, (_, i) => latticeValue(i, STEPS));
    const colours = values.flatMap((r) => values.flatMap((g) => values.map((b) => [r, g, b])));
    const raw = { width: colours.length, height: 1, channels: 3 as const };
    const inks = await inFourInks(sharp(Buffer.from(colours.flat()), { raw }));
    return { steps: STEPS, totals: colours.map((_, i) => inInks(sumAt(inks, i))) };
  })();
  return lattice;
}

/** Pictures are measured no larger than this: the heaviest hundredth of them stays the same. */
const MEASURED_PX = 500;

/**
 * Ink of a picture where it is heaviest: what the heaviest hundredth of it asks for at least, on white card.
 * A hundredth, because single pixels are not what stays wet.
 */
export async function heaviestInk(image: Sharp): Promise<number> {
  const small = await image
    .resize({ width: MEASURED_PX, height: MEASURED_PX, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .png({ compressionLevel: 1 })
    .toBuffer();
  const inks = await inFourInks(sharp(small));
  const pixels = inks.length / 4;
  // A sum is a whole number up to four times 255, so pixels are counted by it and none is sorted.
  const counts = new Uint32Array(4 * 255 + 1);
  for (let i = 0; i < pixels; i += 1) counts[sumAt(inks, i)]! += 1;
  const wanted = Math.floor((pixels - 1) * 0.99);
  let sum = 0;
  for (let seen = counts[0]!; seen <= wanted; seen += counts[sum]!) sum += 1;
  return inInks(sum);
}
