import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import type { Box } from '@zippy/core';

/** Dots to the inch at which pictures are held against each other; what is read is twice as fine until then. */
const PPI = 100;
export const PX_PER_MM = PPI / 25.4;

/** Other programs that read what was written. They are given a folder to work in. */
export class Readers {
  constructor(private readonly folder: string) {}

  private kept(bytes: Buffer, ending: string): string {
    const path = join(this.folder, `file.${ending}`);
    writeFileSync(path, bytes);
    return path;
  }

  /** A page as poppler draws it, not packed: packing takes longer than drawing. */
  pdfPage(pdf: Buffer, page = 1): Buffer {
    return execFileSync(
      'pdftoppm',
      ['-r', String(2 * PPI), '-f', String(page), '-l', String(page), this.kept(pdf, 'pdf')],
      { maxBuffer: 1e9 },
    );
  }

  /** Width and height of a page, mm. */
  pageSize(pdf: Buffer, page = 1): PageSize {
    const said = execFileSync('pdfinfo', ['-f', String(page), '-l', String(page), '-box', this.kept(pdf, 'pdf')], {
      encoding: 'utf8',
    });
    const [, left, top, right, bottom] = /MediaBox:\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)/
      .exec(said)!
      .map(Number);
    return { widthMm: ((right! - left!) / 72) * 25.4, heightMm: ((bottom! - top!) / 72) * 25.4 };
  }

  /** A drawing as librsvg draws it. */
  svg(drawing: Buffer): Buffer {
    const [, wide] = /<svg[^>]*\swidth="([\d.]+)mm"/.exec(drawing.toString('utf8'))!;
    return execFileSync(
      'rsvg-convert',
      ['-w', String(Math.round(2 * Number(wide) * PX_PER_MM)), this.kept(drawing, 'svg')],
      {
        maxBuffer: 1e9,
      },
    );
  }

  /** Where white goes on a page, as ghostscript parts its inks: black where it is laid, white where it is not. */
  whiteOf(pdf: Buffer, page = 1): Promise<Buffer> {
    const out = join(this.folder, 'sep');
    const found = `${out}(White).tif`;
    rmSync(found, { force: true });
    // In bands: kept whole, a small page loses an ink that overprints to this reader.
    this.ghostscript('tiffsep', pdf, page, `${out}.tif`, '-dMaxBitmap=0');
    if (!existsSync(found)) throw new Error('the page has no ink named White');
    return sharp(readFileSync(found)).toColourspace('srgb').png().toBuffer();
  }

  /**
   * What a press’s four inks on a page look like by the profile that mixed them, without its white. Overprint is off,
   * because a page in four inks alone would show white, an ink that it does not have, as bare paper over the others.
   */
  pressed(pdf: Buffer, page = 1): Promise<Buffer> {
    const out = join(this.folder, 'press.tif');
    this.ghostscript('tiff32nc', pdf, page, out, '-dOverprint=/disable');
    return sharp(readFileSync(out)).toColourspace('srgb').png().toBuffer();
  }

  private ghostscript(device: string, pdf: Buffer, page: number, out: string, option: string): void {
    execFileSync('gs', [
      ...['-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', option, `-sDEVICE=${device}`, `-r${2 * PPI}`],
      ...[`-dFirstPage=${page}`, `-dLastPage=${page}`, `-sOutputFile=${out}`, this.kept(pdf, 'pdf')],
    ]);
  }
}

export interface Pixels {
  /** Three bytes a pixel. */
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
}

interface PageSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A region of a page, mm from its top left. */
export interface Region {
  readonly page: PageSize;
  readonly box: Box;
  /** Quarter turns clockwise that bring what lies there upright. */
  readonly turns?: number;
}

type Raw = { readonly data: Buffer; readonly info: { readonly width: number; readonly height: number } };

/** Pages that were unpacked: every card of a sheet is cut from the same one. */
const unpacked = new WeakMap<Buffer, Promise<Raw>>();

function pixelsOf(png: Buffer): Promise<Raw> {
  const known = unpacked.get(png);
  if (known) return known;
  const found = plainPixels(png) ?? unpack(png);
  unpacked.set(png, found);
  return found;
}

const unpack = (png: Buffer): Promise<Raw> =>
  sharp(png)
    .flatten({ background: '#ffffff' })
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });

/** What poppler writes by itself. Source: Netpbm, “PPM Format Specification”: P6, width, height, 255, then the pixels. */
function plainPixels(bytes: Buffer): Promise<Raw> | null {
  const head = /^P6\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1'));
  if (!head) return null;
  const [width, height] = [Number(head[1]), Number(head[2])];
  const data = bytes.subarray(head[0].length);
  if (data.length !== 3 * width * height) throw new Error(`plainPixels: ${data.length} bytes of ${width} × ${height}`);
  return Promise.resolve({ data, info: { width, height } });
}

const again = ({ data, info: { width, height } }: Raw) => sharp(data, { raw: { width, height, channels: 3 } });

/** A page’s region, upright, at the fineness at which pictures are compared. */
export async function cut(png: Buffer, { page, box, turns = 0 }: Region): Promise<Pixels> {
  const whole = await pixelsOf(png);
  const [perX, perY] = [whole.info.width / page.widthMm, whole.info.height / page.heightMm];
  const part = await again(whole)
    .extract({
      left: Math.round(box.xMm * perX),
      top: Math.round(box.yMm * perY),
      width: Math.round(box.widthMm * perX),
      height: Math.round(box.heightMm * perY),
    })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const upright = await again(part)
    .rotate(90 * turns)
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [wide, high] = turns % 2 === 0 ? [box.widthMm, box.heightMm] : [box.heightMm, box.widthMm];
  const { data, info } = await again(upright)
    .resize(Math.round(wide * PX_PER_MM), Math.round(high * PX_PER_MM), { fit: 'fill' })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  if (info.channels !== 3) throw new Error(`cut: wanted three bytes a pixel, got ${info.channels}`);
  return { data, width: info.width, height: info.height };
}

/** Two rasterisers may part along an edge by this many pixels, a quarter of a millimetre; where edges lie is proved elsewhere. */
const ASTRAY_PX = 1;

/** Share of the pixels of one that lie by more than so much of 255 outside what the other has round about. */
function unlike(a: Pixels, b: Pixels, by: number): number {
  let far = 0;
  for (let y = ASTRAY_PX; y < a.height - ASTRAY_PX; y += 1)
    for (let x = ASTRAY_PX; x < a.width - ASTRAY_PX; x += 1) {
      const p = 3 * (y * a.width + x);
      let off = false;
      for (let c = p; c < p + 3 && !off; c += 1) {
        if (Math.abs(a.data[c]! - b.data[c]!) <= by) continue;
        // A smoothed edge is a mixture of what lies on either side of it.
        let [low, high] = [255, 0];
        for (let dy = -ASTRAY_PX; dy <= ASTRAY_PX; dy += 1)
          for (let dx = -ASTRAY_PX; dx <= ASTRAY_PX; dx += 1) {
            const near = b.data[c + 3 * (dy * a.width + dx)]!;
            low = Math.min(low, near);
            high = Math.max(high, near);
          }
        off = a.data[c]! < low - by || a.data[c]! > high + by;
      }
      if (off) far += 1;
    }
  return far / (a.width * a.height);
}

/** Share of two pictures that is in the one and not in the other; all of it where their sizes differ. */
export const apart = (a: Pixels, b: Pixels, by: number): number =>
  a.width !== b.width || a.height !== b.height ? 1 : Math.max(unlike(a, b, by), unlike(b, a, by));

/**
 * What comes of a file on a stock: white lies where its plate says, and everything else multiplies what is under it.
 * @param white dark where white is laid; null where none is
 * @param stock its colour, as #rrggbb
 */
export function onPaper(colours: Pixels, white: Pixels | null, stock: string): Pixels {
  const card = [1, 3, 5].map((i) => parseInt(stock.slice(i, i + 2), 16));
  const data = Buffer.from(colours.data);
  for (let p = 0; p < data.length; p += 1) {
    const bare = white ? white.data[p]! / 255 : 1;
    data[p] = Math.round((colours.data[p]! * (card[p % 3]! * bare + 255 * (1 - bare))) / 255);
  }
  return { ...colours, data };
}
