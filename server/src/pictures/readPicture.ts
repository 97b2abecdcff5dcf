import { createHash } from 'node:crypto';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import type { PictureRef } from '@zippy/core';
import { cleanSvg } from './cleanSvg.ts';
import { heaviestInk } from './fourInks.ts';

export const MOST_BYTES = 60 * 1024 * 1024;
const MOST_SVG_BYTES = 8 * 1024 * 1024;
const MOST_PIXELS = 120_000_000;
const PREVIEW_PX = 1600;
/** The longer side of a drawing whose ink is measured. */
const MEASURED_SVG_PX = 500;
/** Elements that a drawing comes to once all it uses is drawn. */
const MOST_DRAWN = 200_000;

export interface ReadPicture {
  readonly ref: PictureRef;
  readonly bytes: Buffer;
  /** A smaller copy for the screen; vector pictures are their own. */
  readonly preview: { readonly mime: string; readonly bytes: Buffer };
}

/** A picture that cannot be used, with what to do about it. */
export class PictureRefused extends Error {}

/**
 * Reads a picture by its content, whatever its name says. Photographs that are stored turned, or in
 * another colour model than the screen's, are turned and converted once here.
 * @throws PictureRefused with one sentence for the maker
 */
export async function readPicture(name: string, raw: Buffer): Promise<ReadPicture> {
  if (raw.length === 0) throw new PictureRefused(`${name} is empty; choose another file.`);
  if (raw.length > MOST_BYTES)
    throw new PictureRefused(
      `${name} is ${Math.round(raw.length / 1048576)} MB; the most is ${MOST_BYTES / 1048576} MB. Save it smaller and try again.`,
    );
  if (looksLikeSvg(raw)) return readSvg(name, raw);
  if (!looksLikeJpeg(raw) && !looksLikePng(raw))
    throw new PictureRefused(`${name} is not a PNG, JPEG or SVG picture; save it as one of these and try again.`);
  try {
    const image = sharp(raw, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const meta = await image.metadata();
    const jpeg = meta.format === 'jpeg';
    const turned = (meta.orientation ?? 1) !== 1;
    const odd =
      (meta.space !== 'srgb' && meta.space !== 'b-w' && meta.space !== 'grey16' && meta.space !== 'rgb16') ||
      (meta.icc !== undefined && !isSrgb(meta.icc));
    const upright = image.rotate().toColourspace('srgb');
    const bytes =
      turned || odd
        ? await (jpeg ? upright.jpeg({ quality: 95, chromaSubsampling: '4:4:4' }) : upright.png()).toBuffer()
        : raw;
    const stored = turned || odd ? await sharp(bytes).metadata() : meta;
    if (!turned && !odd) await sharp(raw, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).stats();
    const small = sharp(bytes, { limitInputPixels: MOST_PIXELS }).resize({
      width: PREVIEW_PX,
      height: PREVIEW_PX,
      fit: 'inside',
      withoutEnlargement: true,
    });
    const preview = jpeg
      ? await small.jpeg({ quality: 86 }).toBuffer()
      : await small.png({ compressionLevel: 4 }).toBuffer();
    const mime = jpeg ? 'image/jpeg' : 'image/png';
    return {
      ref: {
        name,
        sha256: sha256(bytes),
        mime,
        widthPx: stored.width,
        heightPx: stored.height,
        inkTotal: await heaviestInk(sharp(bytes, { limitInputPixels: MOST_PIXELS })),
      },
      bytes,
      preview: { mime, bytes: preview },
    };
  } catch (problem) {
    const why = problem instanceof Error && /pixel limit/i.test(problem.message);
    throw new PictureRefused(
      why
        ? `${name} has more than ${MOST_PIXELS / 1e6} million pixels; save it smaller and try again.`
        : `${name} is damaged and cannot be read to its end; save it again from where it came and try again.`,
    );
  }
}

/** Profiles say their name, in bytes or in pairs of them; files written for the screen mean sRGB whatever its edition. */
function isSrgb(profile: Buffer): boolean {
  return profile.includes('sRGB') || profile.includes(Buffer.from('sRGB', 'utf16le').swap16());
}

async function readSvg(name: string, raw: Buffer): Promise<ReadPicture> {
  if (raw.length > MOST_SVG_BYTES)
    throw new PictureRefused(
      `${name} is ${Math.round(raw.length / 1048576)} MB of drawing; the most is ${MOST_SVG_BYTES / 1048576} MB. Simplify it and try again.`,
    );
  const clean = cleanSvg(raw.toString('utf8'));
  if (!clean)
    throw new PictureRefused(`${name} has no drawing with a size in it; save it again as plain SVG and try again.`);
  if (clean.tooDeep)
    throw new PictureRefused(`${name} is nested deeper than a drawing needs; simplify it and try again.`);
  if (clean.drawn > MOST_DRAWN)
    throw new PictureRefused(`${name} uses too much of itself again and again; draw out what it uses, and try again.`);
  const bytes = Buffer.from(clean.text);
  return {
    ref: {
      name,
      sha256: sha256(bytes),
      mime: 'image/svg+xml',
      widthPx: clean.widthPx,
      heightPx: clean.heightPx,
      ...(await svgInk(clean.text, clean.widthPx / clean.heightPx)),
    },
    bytes,
    preview: { mime: 'image/svg+xml', bytes },
  };
}

/** Ink of a drawing from its pixels; one that the rasteriser cannot draw says nothing of its ink. */
async function svgInk(svg: string, aspect: number): Promise<Pick<PictureRef, 'inkTotal'>> {
  const fitTo = { mode: aspect >= 1 ? ('width' as const) : ('height' as const), value: MEASURED_SVG_PX };
  try {
    const drawn = new Resvg(svg, { fitTo, font: { loadSystemFonts: false } }).render().asPng();
    return { inkTotal: await heaviestInk(sharp(drawn)) };
  } catch {
    return {};
  }
}

export const sha256 = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

const looksLikeJpeg = (bytes: Buffer): boolean => bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
const looksLikePng = (bytes: Buffer): boolean =>
  bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]));
const looksLikeSvg = (bytes: Buffer): boolean =>
  /^\uFEFF?\s*(<\?xml|<!--|<!DOCTYPE\s+svg|<svg[\s>])/i.test(bytes.subarray(0, 400).toString('utf8')) &&
  bytes.includes('<svg');
