import sharp from 'sharp';
import type { Scene, Shape } from '@zippy/core';
import { inFourInks } from '../../pictures/fourInks.ts';
import { drawnPixels, tintedPixels } from './plates.ts';
import type { PictureBytes } from '../types.ts';

/** Four inks of a colour, each from 0 to 1. */
export type PressInk = readonly [c: number, m: number, y: number, k: number];

/** A picture in four inks, eight bits each, and how much of it covers what lies beneath. */
export interface PressPicture {
  readonly width: number;
  readonly height: number;
  readonly cmyk: Buffer;
  /** Null where it covers everywhere. */
  readonly alpha: Buffer | null;
}

/** Vector pictures become pixels this wide: a face of 100 mm is then printed at 600 to the inch. */
const VECTOR_PX = 2400;

/**
 * Colours as a printing press mixes them, through the profile of the picture library: sRGB in, its press inks out,
 * relative to the paper. The profile goes into the file as what its numbers mean.
 */
export class PressInks {
  private readonly colours = new Map<string, PressInk>();

  private constructor(
    /** ICC profile of the inks. */
    readonly profile: Buffer,
  ) {}

  static async load(): Promise<PressInks> {
    const white = { create: { width: 1, height: 1, channels: 3 as const, background: '#ffffff' } };
    const { icc } = await sharp(await sharp(white).withIccProfile('cmyk').jpeg().toBuffer()).metadata();
    if (!icc) throw new Error('PressInks: the picture library brought no profile for its press inks');
    return new PressInks(icc);
  }

  /** Mixes every colour of a scene; a colour that was not prepared cannot be asked for. */
  async prepare({ shapes, symbols }: Scene): Promise<void> {
    const wanted = new Set<string>();
    const visit = (all: readonly Shape[]): void => {
      for (const shape of all) {
        if (shape.kind === 'group') visit(shape.children);
        if (shape.kind === 'line') wanted.add(shape.colour);
        if (shape.kind === 'path' && shape.fill) wanted.add(shape.fill);
        if (shape.kind === 'path' && shape.gradient) {
          wanted.add(shape.gradient.from);
          wanted.add(shape.gradient.to);
        }
      }
    };
    visit(shapes);
    for (const symbol of Object.values(symbols)) visit(symbol.shapes);
    const missing = [...wanted].filter((colour) => /^#[0-9a-f]{6}$/i.test(colour) && !this.colours.has(colour));
    if (missing.length === 0) return;
    const raw = Buffer.concat(missing.map((colour) => Buffer.from(colour.slice(1), 'hex')));
    const mixed = await inFourInks(sharp(raw, { raw: { width: missing.length, height: 1, channels: 3 } }));
    missing.forEach((colour, i) =>
      this.colours.set(colour, [0, 1, 2, 3].map((k) => mixed[4 * i + k]! / 255) as unknown as PressInk),
    );
  }

  /** @throws RangeError for a colour that no scene was prepared for */
  of(colour: string): PressInk {
    const found = this.colours.get(colour);
    if (!found) throw new RangeError(`PressInks: ${colour} was not prepared`);
    return found;
  }
}

/** @param tint its dark parts in this colour; outlines are drawn in pixels, as fine as a press wants them */
export async function pressPicture({ mime, bytes }: PictureBytes, tint: string | null): Promise<PressPicture> {
  const pixels = mime === 'image/svg+xml' ? drawnPixels(bytes.toString('utf8'), VECTOR_PX) : bytes;
  const { width, height, hasAlpha } = await sharp(pixels).metadata();
  return {
    width: width,
    height: height,
    cmyk: await inFourInks(tint ? sharp(await (await tintedPixels(pixels, tint)).png().toBuffer()) : sharp(pixels)),
    alpha: hasAlpha ? await sharp(pixels).extractChannel('alpha').toColourspace('b-w').raw().toBuffer() : null,
  };
}
