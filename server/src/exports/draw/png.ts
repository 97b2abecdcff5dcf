import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { MM_PER_INCH, type PixelQuestion, type Scene } from '@zippy/core';
import type { Materials } from '../types.ts';
import { sceneToSvg } from './svg.ts';

/** Print resolution of pictures of faces and sheets. */
const PNG_PPI = 300;

/**
 * A drawing in pixels, with its resolution written into the file.
 * @param exactly so many, where a print house asks for them, and then without anything to be seen through
 */
export async function sceneToPng(
  scene: Scene,
  title: string,
  materials: Pick<Materials, 'pictures' | 'fonts'>,
  exactly?: PixelQuestion,
): Promise<Buffer> {
  const widthPx = exactly?.widthPx ?? Math.round((scene.box.widthMm / MM_PER_INCH) * PNG_PPI);
  const image = new Resvg(sceneToSvg(scene, title, materials), {
    fitTo: { mode: 'width', value: widthPx },
    background: '#ffffff',
    font: { loadSystemFonts: false },
  }).render();
  const drawn = sharp(image.pixels, { raw: { width: image.width, height: image.height, channels: 4 } });
  if (!exactly) return drawn.withMetadata({ density: PNG_PPI }).png({ compressionLevel: 6 }).toBuffer();
  // The rasteriser rounds the second side for itself, a pixel off at most.
  const { heightPx, dpi } = exactly;
  const exact = image.height === heightPx ? drawn : drawn.resize(widthPx, heightPx, { fit: 'fill' });
  return exact
    .flatten({ background: '#ffffff' })
    .withMetadata({ density: dpi })
    .png({ compressionLevel: 6 })
    .toBuffer();
}
