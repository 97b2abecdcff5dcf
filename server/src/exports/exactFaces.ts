import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { fixed, drawFaceInPixels, fitPixels, whitePlate, type PixelQuestion, type Scene } from '@zippy/core';
import { sceneToSvg } from './scenes.ts';
import { ExportRefused, type ExportFile, type ExportInput } from './types.ts';

/**
 * Faces in exactly the pixels a print house asks for. Whether there is bleed, and how much on each axis, stands in
 * the file's name: a picture without it must never be taken for one with it.
 * @throws ExportRefused when the pixels cannot hold a face, or no face has the asked name
 */
export async function exactFaces(
  input: ExportInput & { readonly pixels: PixelQuestion },
  name: string,
): Promise<readonly ExportFile[]> {
  const { pixels, plan, job, faceId } = input;
  const faces = plan.art.faces.filter(({ face }) => faceId === undefined || face.id === faceId);
  if (faces.length === 0)
    throw new ExportRefused(
      `face names “${faceId}”; this card has ${plan.art.faces.map((f) => f.face.id).join(', ')}.`,
    );
  const files: ExportFile[] = [];
  for (const face of faces) {
    const fit = fitPixels(face.face, pixels);
    if (!fit.ok) throw new ExportRefused(`${face.face.name}: ${fit.why}.`);
    const scene = drawFaceInPixels(face, job.pictures, pixels);
    const title = `${job.brief.title}: ${face.face.id}`;
    const said = fit.bled
      ? `with-bleed-${fixed(fit.bleedAcrossMm, 1)}x${fixed(fit.bleedDownMm, 1)}mm`
      : 'WITHOUT-bleed';
    const stem = `${name}-${face.face.id}-${pixels.widthPx}x${pixels.heightPx}px-${said}`;
    const { coloured, white } = plan.art.onStock;
    files.push(await inPixels(scene, `${stem}.png`, title, input));
    if (coloured && white)
      files.push(await inPixels(whitePlate(scene, '#000000'), `${stem}-white.png`, `${title}, white`, input));
  }
  return files;
}

async function inPixels(
  scene: Scene,
  name: string,
  title: string,
  input: ExportInput & { readonly pixels: PixelQuestion },
): Promise<ExportFile> {
  const { widthPx, heightPx, dpi } = input.pixels;
  const image = new Resvg(sceneToSvg(scene, title, input), {
    fitTo: { mode: 'width', value: widthPx },
    background: '#ffffff',
    font: { loadSystemFonts: false },
  }).render();
  const drawn = sharp(image.pixels, { raw: { width: image.width, height: image.height, channels: 4 } });
  // The rasteriser rounds the second side for itself, a pixel off at most.
  const exact = image.height === heightPx ? drawn : drawn.resize(widthPx, heightPx, { fit: 'fill' });
  return {
    name,
    mime: 'image/png',
    bytes: await exact
      .flatten({ background: '#ffffff' })
      .withMetadata({ density: dpi })
      .png({ compressionLevel: 6 })
      .toBuffer(),
  };
}
