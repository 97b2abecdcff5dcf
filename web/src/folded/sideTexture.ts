import { CanvasTexture, SRGBColorSpace, type Texture } from 'three';
import type { Blank, Colour, Job, Shape } from '@zippy/core';
import { rasterise } from '../bench/rasterise.ts';

/** Longest side of a texture: enough for a card on a screen, little enough for a small graphics chip. */
const LONGEST_PX = 2048;
const MOST_PX_PER_MM = 10;

/** One side of the blank as a picture, seen from outside: the stock’s colour with the art on it. */
export async function sideTexture(
  blank: Blank,
  stockColour: Colour,
  art: readonly Shape[],
  pictures: Job['pictures'],
): Promise<Texture> {
  const box = { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm };
  const pxPerMm = Math.min(MOST_PX_PER_MM, LONGEST_PX / Math.max(blank.widthMm, blank.heightMm));
  const { canvas } = await rasterise(box, stockColour, art, pictures, pxPerMm);
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = SRGBColorSpace;
  texture.anisotropy = 8;
  return texture;
}
