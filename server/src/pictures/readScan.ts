import sharp from 'sharp';
import { frameOfDpi, measureCards, readCalibration, scannerFrame, type GreyImage, type ScanRead } from '@zippy/core';
import type { ScanAnswer, ScanAsked } from '@zippy/core/contract';
import { PictureRefused } from './readPicture.ts';

/** A letter sheet at 600 dpi and a little over. */
const MOST_PIXELS = 45_000_000;
export const MOST_SCAN_BYTES = 60 * 1024 * 1024;
const [LEAST_DPI, MOST_DPI] = [200, 1200] as const;
const FORMATS: ReadonlySet<string> = new Set(['png', 'jpeg', 'tiff', 'webp']);

/** Greys of one scan and the dots to an inch that it says of itself, or that were said of it. */
async function greysOf(
  name: string,
  bytes: Buffer,
  dpiSaid: number | null,
): Promise<{ image: GreyImage; dpi: number }> {
  const file = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' });
  const facts = await file.metadata().catch(() => null);
  if (!facts?.format || !FORMATS.has(facts.format))
    throw new PictureRefused(`${name} is no scan that can be read: save it as PNG, JPEG or TIFF, up to 600 dpi.`);
  const dpi = dpiSaid ?? facts.density ?? 0;
  if (!(dpi >= LEAST_DPI && dpi <= MOST_DPI))
    throw new PictureRefused(
      dpi > 0 && dpiSaid === null && facts.density! >= LEAST_DPI
        ? `${name} says ${dpi} dots to the inch; ${LEAST_DPI} to ${MOST_DPI} can be read.`
        : `${name} says ${dpi > 0 ? `${Math.round(dpi)} dots to the inch` : 'nothing of its dots to the inch'}; scan at ${LEAST_DPI} or more, or type what the scanner was set to.`,
    );
  const { data, info } = await file
    .flatten({ background: '#000000' })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return {
    image: {
      widthPx: info.width,
      heightPx: info.height,
      grey: new Uint8Array(data.buffer, data.byteOffset, data.length),
    },
    dpi,
  };
}

const valueOf = <T>(read: ScanRead<T>): T => {
  if (!read.ok) throw new PictureRefused(read.why);
  return read.value;
};

/**
 * What a scan, or two of a sheet’s sides one after the other, says.
 * @throws PictureRefused with one sentence for the maker
 */
export async function readScan(name: string, bytes: Buffer, asked: ScanAsked): Promise<ScanAnswer> {
  const { dpi: said, frame } = asked;
  const first = await greysOf(name, bytes.subarray(0, asked.firstBytes), said);
  const inFrame = frame ?? frameOfDpi(first.dpi);
  switch (asked.kind) {
    case 'frame':
      return { kind: 'frame', frame: valueOf(scannerFrame(first.image, first.dpi)) };
    case 'cards':
      return { kind: 'cards', cards: valueOf(measureCards(first.image, inFrame)), frame: inFrame };
    case 'calibration': {
      const second = await greysOf(name, bytes.subarray(asked.firstBytes), said);
      if (Math.abs(second.dpi - first.dpi) > 1)
        throw new PictureRefused(
          `The two scans were made at ${Math.round(first.dpi)} and ${Math.round(second.dpi)} dots to the inch; make both alike.`,
        );
      return {
        kind: 'calibration',
        frame: inFrame,
        scan: valueOf(readCalibration({ front: first.image, back: second.image }, inFrame, asked.of)),
      };
    }
  }
}
