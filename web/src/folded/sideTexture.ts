import { CanvasTexture, SRGBColorSpace, type Texture } from 'three';
import { svgFile, type Blank, type Colour, type Job, type Shape } from '@zippy/core';
import { api } from '../api/client.ts';

/** Longest side of a texture: enough for a card on a screen, little enough for a small graphics chip. */
const LONGEST_PX = 2048;
const MOST_PX_PER_MM = 10;

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

/** One side of the blank as a picture, seen from outside: the stock’s colour with the art on it. */
export async function sideTexture(
  blank: Blank,
  stockColour: Colour,
  art: readonly Shape[],
  pictures: Job['pictures'],
): Promise<Texture> {
  const used = new Set(picturesIn(art));
  const hrefs = new Map<string, string>();
  await Promise.all(
    [...used].map(async (id) => {
      if (pictures[id]) hrefs.set(id, await dataUrl(pictures[id].sha256));
    }),
  );
  const box = { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm };
  const svg = svgFile({ box, symbols: {}, shapes: art }, 'side', { pictureHref: (id) => hrefs.get(id) ?? '' });
  const pxPerMm = Math.min(MOST_PX_PER_MM, LONGEST_PX / Math.max(blank.widthMm, blank.heightMm));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(blank.widthMm * pxPerMm));
  canvas.height = Math.max(1, Math.round(blank.heightMm * pxPerMm));
  const context = canvas.getContext('2d')!;
  context.fillStyle = stockColour;
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
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = SRGBColorSpace;
  texture.anisotropy = 8;
  return texture;
}

function* picturesIn(shapes: readonly Shape[]): Generator<string> {
  for (const shape of shapes)
    if (shape.kind === 'picture') yield shape.pictureId;
    else if (shape.kind === 'group') yield* picturesIn(shape.children);
}
