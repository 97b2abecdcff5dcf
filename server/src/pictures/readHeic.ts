import { crc32, deflateSync } from 'node:zlib';
import type { Unpacked } from 'heic-decode';
import sharp from 'sharp';

/**
 * A telephone's picture as pixels that the rest can read: a PNG, upright as its own boxes say, with the colour profile
 * that it carries. Its codec is not in the picture library, so it is opened by one of its own.
 * @param mostPixels more than these are not unpacked
 * @throws RangeError when there are more; whatever the decoder throws when it is damaged
 */
export async function readHeic(raw: Buffer, mostPixels: number): Promise<Buffer> {
  const { width, height, data } = await unpacked(raw, mostPixels);
  const pixels = sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
    raw: { width, height, channels: 4 },
    limitInputPixels: mostPixels,
  });
  // Nearly every one is opaque, and then has no fourth channel to carry on. It is read again at once, so it is not packed.
  const png = await (isOpaque(data) ? pixels.removeAlpha() : pixels).png({ compressionLevel: 0 }).toBuffer();
  const profile = profileOf(raw);
  return profile ? withProfile(png, profile) : png;
}

async function unpacked(raw: Buffer, mostPixels: number): Promise<Unpacked> {
  // A codec of a megabyte, for what most makers never bring: every process would wait for it as it starts.
  const { all } = await import('heic-decode');
  const pictures = await all({ buffer: raw });
  try {
    // Only its first: a file may hold a burst of them.
    const [first] = pictures;
    if (!first) throw new Error('no picture in it');
    if (first.width * first.height > mostPixels) throw new RangeError('more than the pixel limit');
    return await first.decode();
  } finally {
    // Another picture may be asked of this process; the decoder's memory does not go by itself.
    pictures.dispose();
  }
}

/** A look at each fourth byte; counting everything else about the pixels takes as long as unpacking them. */
function isOpaque(pixels: Uint8ClampedArray): boolean {
  for (let at = 3; at < pixels.length; at += 4) if (pixels[at] !== 255) return false;
  return true;
}

/**
 * The colour profile in a file's item properties, if it has one.
 * Source: ISO/IEC 14496-12, ColourInformationBox: size, “colr”, then “prof” or “rICC” and the profile itself.
 */
export function profileOf(raw: Buffer): Buffer | null {
  for (let at = raw.indexOf('colr'); at >= 4; at = raw.indexOf('colr', at + 4)) {
    const size = raw.readUInt32BE(at - 4);
    const kind = raw.toString('latin1', at + 4, at + 8);
    const profile = raw.subarray(at + 8, at - 4 + size);
    // A profile says its own length, and “acsp” at its 36th byte.
    if ((kind === 'prof' || kind === 'rICC') && profile.toString('latin1', 36, 40) === 'acsp') return profile;
  }
  return null;
}

/** The same PNG, with a profile after its header. Source: the PNG specification, chunk iCCP. */
function withProfile(png: Buffer, profile: Buffer): Buffer {
  const HEADER_END = 8 + 25;
  const body = Buffer.concat([Buffer.from('iCCPcamera\0\0', 'latin1'), deflateSync(profile)]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(body.length - 4);
  const sum = Buffer.alloc(4);
  sum.writeUInt32BE(crc32(body));
  return Buffer.concat([png.subarray(0, HEADER_END), length, body, sum, png.subarray(HEADER_END)]);
}
