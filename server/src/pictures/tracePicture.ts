import { Resvg } from '@resvg/resvg-js';
import { traceOutline } from '@zippy/core/outline';
import sharp from 'sharp';
import { PictureRefused } from './readPicture.ts';

/** Fine enough for a figure as large as a card: about a tenth of a millimetre a pixel. */
const TRACED_PX = 1000;

const WHY = {
  clear: 'is clear all over: there is no figure in it to cut round',
  filled: 'has no clear ground round its figure; bring it as a PNG or SVG with a transparent ground',
  apart: 'is in parts too far from each other to be cut as one figure; join them, or take one of them',
} as const;

/**
 * The outline of what is drawn on a picture’s clear ground, as path data in the picture’s own pixels.
 * @param bytes a picture that is kept, or its preview
 * @param widthPx of the picture as the job has it
 * @throws PictureRefused where it has no outline of its own
 */
export async function tracePicture(
  name: string,
  bytes: Buffer,
  { widthPx }: { readonly widthPx: number },
): Promise<{ readonly path: string }> {
  const drawn = bytes.subarray(0, 256).toString('latin1').trimStart().startsWith('<')
    ? new Resvg(bytes.toString('utf8'), {
        fitTo: { mode: 'width', value: TRACED_PX },
        font: { loadSystemFonts: false },
      })
        .render()
        .asPng()
    : bytes;
  const { data, info } = await sharp(drawn)
    .resize({ width: TRACED_PX, height: TRACED_PX, fit: 'inside', withoutEnlargement: true })
    .ensureAlpha()
    .extractChannel('alpha')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const traced = traceOutline(data, { widthPx: info.width, heightPx: info.height }, widthPx / info.width);
  if (!traced.ok) throw new PictureRefused(`${name} ${WHY[traced.why]}.`);
  return { path: traced.path };
}
