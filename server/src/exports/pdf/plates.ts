import { Resvg } from '@resvg/resvg-js';
import sharp, { type Sharp } from 'sharp';
import { DARK_SLOPE, GREY_WEIGHTS, MM_PER_INCH } from '@zippy/core';
import type { PictureBytes } from '../types.ts';

/** A plate that cannot be outlines is at least this fine. */
const PLATE_PPI = 600;
/** Longer than this no side of a mask gets: over half a metre of card at 600 to the inch. */
const MOST_PX = 12_288;

/** How much of each pixel a picture covers, eight bits each. */
export interface Coverage {
  readonly width: number;
  readonly height: number;
  readonly alpha: Buffer;
}

/** Elements that are outlines and nothing else, so that one colour for all of them is their shape. */
const OUTLINES = new Set(
  'svg g path rect circle ellipse line polyline polygon title desc defs style lineargradient radialgradient stop'.split(
    ' ',
  ),
);

/** True for a drawing whose shape can be drawn as outlines: nothing in it is see-through, masked or of pixels. */
export const isOutlined = (svg: string): boolean =>
  !/(opacity|mask|filter|clip-path|rgba|transparent|mix-blend)/i.test(svg) &&
  [...svg.matchAll(/<([A-Za-z][\w:-]*)/g)].every(([, tag]) => OUTLINES.has(tag!.toLowerCase()));

/** A drawing of outlines with every gradient as a flat colour: its shape stays. */
export const flatPaints = (svg: string): string => svg.replace(/url\(\s*["']?#[^)]*\)/g, '#000000');

const rasterised = (svg: string, widthPx: number): Buffer =>
  Buffer.from(
    new Resvg(svg, { fitTo: { mode: 'width', value: widthPx }, font: { loadSystemFonts: false } }).render().asPng(),
  );

/**
 * What a picture covers, as fine as its plate wants to be; null where it covers everything.
 * @param widthMm as wide as it is printed
 */
export async function coverageOf({ mime, bytes }: PictureBytes, widthMm: number): Promise<Coverage | null> {
  if (mime === 'image/jpeg') return null;
  const widthPx = Math.min(MOST_PX, Math.ceil((widthMm / MM_PER_INCH) * PLATE_PPI));
  const image = sharp(mime === 'image/svg+xml' ? rasterised(bytes.toString('utf8'), widthPx) : bytes);
  const { hasAlpha, width, height } = await image.metadata();
  if (!hasAlpha) return null;
  const scale = Math.max(1, Math.min(widthPx / width, MOST_PX / height));
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)];
  const alpha = await image
    .extractChannel('alpha')
    .resize(w, h, { fit: 'fill', kernel: 'cubic' })
    .toColourspace('b-w')
    .raw()
    .toBuffer();
  return alpha.every((value) => value === 255) ? null : { width: w, height: h, alpha };
}

/**
 * Where a picture is darker than half, as fine as a plate wants to be: by the same weights and the same steepness as the
 * screen shows it. A clear part is not dark.
 */
export async function darknessOf({ mime, bytes }: PictureBytes, widthMm: number): Promise<Coverage> {
  const widthPx = Math.min(MOST_PX, Math.ceil((widthMm / MM_PER_INCH) * PLATE_PPI));
  const image = sharp(mime === 'image/svg+xml' ? rasterised(bytes.toString('utf8'), widthPx) : bytes);
  const { width, height } = await image.metadata();
  const scale = Math.max(1, Math.min(widthPx / width, MOST_PX / height));
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)];
  const { data } = await image
    .toColourspace('srgb')
    .ensureAlpha()
    .resize(w, h, { fit: 'fill', kernel: 'cubic' })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const alpha = Buffer.alloc(w * h);
  for (let i = 0, p = 0; i < alpha.length; i += 1, p += 4) {
    const grey = (GREY_WEIGHTS[0] * data[p]! + GREY_WEIGHTS[1] * data[p + 1]! + GREY_WEIGHTS[2] * data[p + 2]!) / 255;
    const dark = Math.min(1, Math.max(0, DARK_SLOPE * (0.5 - grey) + 0.5));
    alpha[i] = Math.round(dark * data[p + 3]!);
  }
  return { width: w, height: h, alpha };
}

/**
 * A picture in grey, its dark parts in one colour, its clear parts as clear as they were.
 * @param tint `#rrggbb`
 */
export async function tintedPixels(pixels: Buffer, tint: string): Promise<Sharp> {
  const darks = [1, 3, 5].map((i) => parseInt(tint.slice(i, i + 2), 16));
  const row = (dark: number) => GREY_WEIGHTS.map((w) => w * (1 - dark / 255)) as [number, number, number];
  const { hasAlpha } = await sharp(pixels).metadata();
  // One step a pipeline: the picture library orders what is asked of one in its own way.
  const coloured = await sharp(pixels).removeAlpha().toColourspace('srgb').png({ compressionLevel: 1 }).toBuffer();
  const tinted = await sharp(coloured)
    .recomb([row(darks[0]!), row(darks[1]!), row(darks[2]!)])
    .linear([1, 1, 1], darks)
    .png({ compressionLevel: 1 })
    .toBuffer();
  if (!hasAlpha) return sharp(tinted);
  const alpha = await sharp(pixels)
    .extractChannel('alpha')
    .toColourspace('b-w')
    .png({ compressionLevel: 1 })
    .toBuffer();
  return sharp(tinted).joinChannel(alpha);
}

/** A drawing in pixels, as wide as these, where outlines will not do. */
export const drawnPixels = rasterised;
