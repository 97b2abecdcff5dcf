import { createHash } from 'node:crypto';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import type { PictureRef } from '@zippy/core';
import { cleanSvg } from './cleanSvg.ts';
import { heaviestInk } from './fourInks.ts';
import { kindOf, type ReadableKind } from './kindOf.ts';
import { readHeic } from './readHeic.ts';

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
  const found = kindOf(raw);
  if (!found.ok) throw new PictureRefused(`${name} is ${found.what}; ${found.doThis}.`);
  if (found.kind === 'svg') return readSvg(name, raw);
  try {
    return await readPixels(name, found.kind === 'heic' ? await readHeic(raw, MOST_PIXELS) : raw, found.kind);
  } catch (problem) {
    const why = problem instanceof Error && /pixel limit/i.test(problem.message);
    throw new PictureRefused(
      why
        ? `${name} has more than ${MOST_PIXELS / 1e6} million pixels; save it smaller and try again.`
        : `${name} is damaged and cannot be read to its end; save it again from where it came and try again.`,
    );
  }
}

/** Kinds that are kept byte for byte where nothing about them has to change; the others become one of the two. */
const KEPT: ReadonlySet<ReadableKind> = new Set(['jpeg', 'png']);
/** Kinds that photographs come in: one without clear parts is kept as a JPEG, which holds it in a tenth of the room. */
const PHOTOGRAPHS: ReadonlySet<ReadableKind> = new Set(['jpeg', 'webp', 'avif', 'heic']);

async function readPixels(name: string, raw: Buffer, kind: ReadableKind): Promise<ReadPicture> {
  // Of what moves, or has pages, the first is taken.
  const image = sharp(raw, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  const meta = await image.metadata();
  const jpeg = PHOTOGRAPHS.has(kind) && (kind === 'jpeg' || !meta.hasAlpha);
  const odd =
    !KEPT.has(kind) ||
    (meta.orientation ?? 1) !== 1 ||
    (meta.space !== 'srgb' && meta.space !== 'b-w' && meta.space !== 'grey16' && meta.space !== 'rgb16') ||
    (meta.icc !== undefined && !isSrgb(meta.icc));
  const upright = image.rotate().toColourspace('srgb');
  const bytes = odd
    ? await (jpeg ? upright.jpeg({ quality: 95, chromaSubsampling: '4:4:4' }) : upright.png()).toBuffer()
    : raw;
  const stored = odd ? await sharp(bytes).metadata() : meta;
  if (!odd) await sharp(raw, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).stats();
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
