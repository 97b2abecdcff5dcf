import { drawFaceInPixels, fitPixels, fixed, whitePlate, type PixelQuestion } from '@zippy/core';
import { facePages, whiteOn } from '../facePages.ts';
import { ExportRefused, type Draft, type Exporter, type ExportInput } from '../types.ts';

/** Every face on a page of its own with its boxes, or a drawing of each. */
export const face: Exporter<'pdf' | 'svg' | 'png'> = (input, format, name) => {
  if (format === 'pdf') return [facesFile(input, `${name}-faces`)];
  const { pixels } = input;
  return format === 'png' && pixels ? exactly({ ...input, pixels }, name) : drawings(input, name);
};

export function facesFile({ plan, job }: ExportInput, stem: string, forPress = false): Draft {
  const pages = facePages(plan).map(({ page }) => ({ page, white: whiteOn(plan, page) }));
  return { kind: 'pages', stem, title: `${job.brief.title}: faces`, pages, total: pages.length, forPress };
}

function* drawings({ plan, job }: ExportInput, name: string): Generator<Draft> {
  for (const { id, page } of facePages(plan)) {
    const titled = { stem: `${name}-${id}`, title: `${job.brief.title}: ${id}` };
    yield { kind: 'drawing', ...titled, scene: page.scene };
    // A drawing has no ink of its own for white: where it goes stands in a second one, in black.
    if (whiteOn(plan, page))
      yield { kind: 'drawing', ...whiteBeside(titled), scene: whitePlate(page.scene, '#000000') };
  }
}

/**
 * Faces in exactly the pixels a print house asks for. Whether there is bleed, and how much on each axis, stands in
 * the file's name: a picture without it must never be taken for one with it.
 * @throws ExportRefused when the pixels cannot hold a face, or no face has the asked name
 */
function* exactly(
  { pixels, plan, job, faceId }: ExportInput & { readonly pixels: PixelQuestion },
  name: string,
): Generator<Draft> {
  const faces = plan.art.faces.filter((one) => faceId === undefined || one.face.id === faceId);
  if (faces.length === 0)
    throw new ExportRefused(
      `face names “${faceId}”; this card has ${plan.art.faces.map((f) => f.face.id).join(', ')}.`,
    );
  for (const own of faces) {
    const fit = fitPixels(own.face, pixels);
    if (!fit.ok) throw new ExportRefused(`${own.face.name}: ${fit.why}.`);
    const scene = drawFaceInPixels(own, job.pictures, pixels);
    const said = fit.bled
      ? `with-bleed-${fixed(fit.bleedAcrossMm, 1)}x${fixed(fit.bleedDownMm, 1)}mm`
      : 'WITHOUT-bleed';
    const titled = {
      stem: `${name}-${own.face.id}-${pixels.widthPx}x${pixels.heightPx}px-${said}`,
      title: `${job.brief.title}: ${own.face.id}`,
    };
    const { coloured, white } = plan.art.onStock;
    yield { kind: 'drawing', ...titled, scene, pixels };
    if (coloured && white)
      yield { kind: 'drawing', ...whiteBeside(titled), scene: whitePlate(scene, '#000000'), pixels };
  }
}

const whiteBeside = ({ stem, title }: { readonly stem: string; readonly title: string }) => ({
  ...{ stem: `${stem}-white`, title: `${title}, white` },
});
