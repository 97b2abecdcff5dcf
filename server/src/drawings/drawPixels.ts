import { strToU8, zipSync, type Zippable } from 'fflate';
import {
  PIXEL_DPI,
  fixed,
  MOST_PIXELS,
  pixelPages,
  type ElsewhereShows,
  type Job,
  type PixelPage,
  type Plan,
} from '@zippy/core';
import { sceneToPng } from '../exports/draw/png.ts';
import { fileStem } from '../exports/fileStem.ts';
import { ExportRefused, type Materials } from '../exports/types.ts';

/** What a zip of pictures to draw on holds. */
export interface PixelsAsked {
  readonly dpi: number;
  readonly shows: ElsewhereShows;
}

/**
 * Pictures of the open card and its faces in exact pixels, with a page that says what each is, in one file.
 * @throws ExportRefused where they come to more than a program could hold
 */
export async function drawPixels(
  { job, plan }: { readonly job: Job; readonly plan: Plan },
  { dpi, shows }: PixelsAsked,
  materials: Pick<Materials, 'pictures' | 'fonts'>,
): Promise<{ readonly name: string; readonly bytes: Uint8Array }> {
  const pages = pixelPages(plan, { dpi, shows });
  const all = pages.reduce((sum, { pixels }) => sum + pixels.widthPx * pixels.heightPx, 0);
  if (all > MOST_PIXELS)
    throw new ExportRefused(
      `${pages.length} pictures at ${dpi} dots to the inch come to ${fixed(all / 1e6, 0)} million pixels, and the most is ${MOST_PIXELS / 1e6}; take ${fixed(Math.floor(dpi * Math.sqrt(MOST_PIXELS / all)), 0)} dots or fewer.`,
    );
  const files: Zippable = { 'read-me.txt': strToU8(readMe(job, pages, { dpi, shows })) };
  for (const { id, name, scene, pixels } of pages)
    files[`${id}.png`] = await sceneToPng(scene, `${job.brief.title}: ${name}`, materials, pixels);
  // Pictures are packed already.
  const bytes = zipSync(files, { level: 0 });
  return { name: `${fileStem(job.brief.title)}-${shows === 'art' ? 'faces' : 'to-draw-on'}-${dpi}dpi.zip`, bytes };
}

const SAID: Readonly<Record<ElsewhereShows, string>> = {
  guides:
    'Hatched is the bleed: art goes on to the edge of the picture. The solid line is where it is cut; the dots keep what matters inside. Draw on a layer of your own and leave the lines out when you save.',
  nothing: 'Art goes on to the edge of the picture, past where it is cut.',
  art: 'The faces as they are, with their bleed.',
};

function readMe({ brief, size }: Job, pages: readonly PixelPage[], { dpi, shows }: PixelsAsked): string {
  const lines = pages.map(
    ({ id, name, scene: { box }, pixels: { widthPx, heightPx } }) =>
      `${id}.png: ${name}, ${widthPx} × ${heightPx} pixels, ${fixed(box.widthMm, 1)} × ${fixed(box.heightMm, 1)} mm`,
  );
  return [
    `${brief.title}: ${dpi} dots to the inch, a bleed of ${fixed(size.bleedMm, 1)} mm on every side that is cut`,
    '',
    ...lines,
    '',
    SAID[shows],
    'Keep the size in pixels. Bring faces back at Art, under “Drawn elsewhere”: each is laid on the face of its size.',
    `Dots to the inch may be from ${PIXEL_DPI.least} to ${PIXEL_DPI.most}.`,
    '',
  ].join('\r\n');
}
