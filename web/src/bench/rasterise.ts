import { svgFile, type Box, type Colour, type Job, type Shape } from '@zippy/core';
import { api } from '../api/client.ts';

const asData = new Map<string, Promise<string>>();

/** A picture as text inside the drawing, because a drawing used as an image may not fetch anything. */
function dataUrl(sha256: string): Promise<string> {
  const known = asData.get(sha256);
  if (known) return known;
  const made = fetch(api.pictureUrl(sha256))
    .then((response) => response.blob())
    .then(
      (blob) =>
        new Promise<string>((done, failed) => {
          const reader = new FileReader();
          reader.onload = () => done(reader.result as string);
          reader.onerror = () => failed(reader.error ?? new Error('the picture could not be read'));
          reader.readAsDataURL(blob);
        }),
    );
  asData.set(sha256, made);
  return made;
}

/** Shapes on a ground, as pixels. */
export async function rasterise(
  box: Box,
  ground: Colour,
  shapes: readonly Shape[],
  pictures: Job['pictures'],
  pxPerMm: number,
): Promise<{ readonly canvas: HTMLCanvasElement; readonly context: CanvasRenderingContext2D }> {
  const hrefs = new Map<string, string>();
  await Promise.all(
    [...new Set(picturesIn(shapes))].map(async (id) => {
      if (pictures[id]) hrefs.set(id, await dataUrl(pictures[id].sha256));
    }),
  );
  const svg = svgFile({ box, symbols: {}, shapes }, 'side', { pictureHref: (id) => hrefs.get(id) ?? '' });
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(box.widthMm * pxPerMm));
  canvas.height = Math.max(1, Math.round(box.heightMm * pxPerMm));
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.fillStyle = ground;
  context.fillRect(0, 0, canvas.width, canvas.height);
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
  } finally {
    URL.revokeObjectURL(url);
  }
  return { canvas, context };
}

function* picturesIn(shapes: readonly Shape[]): Generator<string> {
  for (const shape of shapes)
    if (shape.kind === 'picture' || shape.kind === 'tiles') yield shape.pictureId;
    else if (shape.kind === 'group') yield* picturesIn(shape.children);
}
