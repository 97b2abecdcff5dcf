import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { chainOf, LABEL_CHAIN, MM_PER_INCH, outlinedLabel, svgFile, type Scene } from '@zippy/core';
import type { ExportInput } from './types.ts';

/** Print resolution of pictures of faces and sheets. */
const PNG_PPI = 300;

/** A self-contained SVG: pictures travel inside it. */
export function sceneToSvg(
  scene: Scene,
  title: string,
  { pictures, fonts }: Pick<ExportInput, 'pictures' | 'fonts'>,
  layers = false,
): string {
  return svgFile(scene, title, {
    layers,
    // A layer of outlined letters is something that a machine could cut.
    drawLabel: layers ? null : (label) => outlinedLabel(label, chainOf(fonts.book, LABEL_CHAIN)),
    pictureHref: (id) => {
      const picture = pictures.get(id);
      if (!picture) throw new RangeError(`sceneToSvg: no bytes for picture “${id}”`);
      return `data:${picture.mime};base64,${picture.bytes.toString('base64')}`;
    },
  });
}

/** The same drawing in pixels, with its resolution written into the file. */
export async function sceneToPng(
  scene: Scene,
  title: string,
  input: Pick<ExportInput, 'pictures' | 'fonts'>,
): Promise<Buffer> {
  const widthPx = Math.round((scene.box.widthMm / MM_PER_INCH) * PNG_PPI);
  const image = new Resvg(sceneToSvg(scene, title, input), {
    fitTo: { mode: 'width', value: widthPx },
    background: '#ffffff',
    font: { loadSystemFonts: false },
  }).render();
  return sharp(image.pixels, { raw: { width: image.width, height: image.height, channels: 4 } })
    .withMetadata({ density: PNG_PPI })
    .png({ compressionLevel: 6 })
    .toBuffer();
}
