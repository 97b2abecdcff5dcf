import sharp from 'sharp';

export interface Pixels {
  /** Three bytes a pixel. */
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
}

/** A picture on white at a size, softened a little, so that how edges were smoothed makes no difference. */
export async function pixelsOf(
  bytes: Buffer,
  { width, height }: { readonly width: number; readonly height: number },
): Promise<Pixels> {
  const { data, info } = await sharp(bytes)
    .flatten({ background: '#ffffff' })
    .removeAlpha()
    .toColourspace('srgb')
    .resize(width, height, { fit: 'fill' })
    .blur(1)
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/** More than this of 255 in any channel is another colour, not a smoothed edge. */
const FAR = 70;

/** Share of the pixels of two pictures of one size that are of another colour. */
export function shareApart(a: Pixels, b: Pixels): number {
  let far = 0;
  for (let p = 0; p < a.data.length; p += 3)
    if (Math.max(...[0, 1, 2].map((c) => Math.abs(a.data[p + c]! - b.data[p + c]!))) > FAR) far += 1;
  return far / (a.data.length / 3);
}
