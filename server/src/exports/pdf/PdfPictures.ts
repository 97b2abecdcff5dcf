import SVGtoPDF from 'svg-to-pdfkit';
import { GREY_WEIGHTS, LABEL_TYPEFACE_ID, WHITE_INK, type Inked, type Scene, type Shape } from '@zippy/core';
import type { Materials, PictureBytes } from '../types.ts';
import { filled, finished, type Kit, type PdfRef } from './kit.ts';
import { coverageOf, darknessOf, flatPaints, isOutlined, tintedPixels, type Coverage } from './plates.ts';
import { pressPicture, type PressInks, type PressPicture } from './pressInks.ts';

/** The pictures of one file: each stored once in each of its inks, and placed many times. */
export class PdfPictures {
  private readonly stored = new Map<string, PdfRef>();
  private readonly tinted = new Map<string, Buffer>();
  private readonly pressed = new Map<string, PressPicture>();
  private readonly plates = new Map<string, Plate>();
  private white: PdfRef | null = null;

  constructor(
    private readonly doc: Kit,
    private readonly materials: Pick<Materials, 'pictures'>,
    private readonly inks: PressInks | null,
    /** Lettering in a picture is set in a shipped font, so that every font in the file is embedded. */
    private readonly setLetters: () => void,
  ) {}

  /** Tinted pictures are made before the pages that need them, because making them takes time. */
  async prepare(scene: Scene): Promise<void> {
    const { shapes, symbols } = scene;
    const visit = async (own: readonly Shape[]): Promise<void> => {
      for (const shape of own) {
        if (shape.kind === 'group') await visit(shape.children);
        if ((shape.kind === 'picture' || shape.kind === 'tiles') && shape.inked) {
          await this.preparePlate(shape.pictureId, shape.inked.only, widthPrinted(shape));
          continue;
        }
        if (shape.kind === 'picture' && shape.tint) await this.prepareTint(shape.pictureId, shape.tint);
        if (this.inks && shape.kind === 'picture') await this.preparePress(shape.pictureId, shape.tint);
        if (this.inks && shape.kind === 'tiles') await this.preparePress(shape.pictureId, null);
      }
    };
    await visit(shapes);
    for (const symbol of Object.values(symbols)) await visit(symbol.shapes);
  }

  private async preparePress(pictureId: string, tint: string | null): Promise<void> {
    const key = `${pictureId}${tint ?? ''}`;
    if (this.pressed.has(key)) return;
    this.pressed.set(key, await pressPicture(this.bytesOf(pictureId), tint));
  }

  /** A picture in four inks, with its transparency beside it. */
  private pressObject({ width, height, cmyk, alpha }: PressPicture): PdfRef {
    const sized = { Type: 'XObject', Subtype: 'Image', Width: width, Height: height, BitsPerComponent: 8 };
    const image = (data: Record<string, unknown>, bytes: Buffer): PdfRef =>
      filled(this.doc, { ...sized, ...data }, bytes);
    const mask = alpha ? image({ ColorSpace: 'DeviceGray' }, alpha) : null;
    return image({ ColorSpace: 'DeviceCMYK', ...(mask ? { SMask: mask } : {}) }, cmyk);
  }

  private async prepareTint(pictureId: string, tint: string): Promise<void> {
    const picture = this.bytesOf(pictureId);
    const key = `${pictureId}${tint}`;
    if (picture.mime === 'image/svg+xml' || this.tinted.has(key)) return;
    const made = await tintedPixels(picture.bytes, tint);
    this.tinted.set(
      key,
      await (picture.mime === 'image/png' ? made.png({ compressionLevel: 6 }) : made.jpeg({ quality: 92 })).toBuffer(),
    );
  }

  /** What of a picture a plate holds, as fine as its largest printing wants it. */
  private async preparePlate(pictureId: string, only: Inked['only'], widthMm: number): Promise<void> {
    const picture = this.bytesOf(pictureId);
    const key = `${pictureId}${only ?? ''}`;
    const known = this.plates.get(key);
    if (known && (known.kind !== 'mask' || known.widthMm >= widthMm)) return;
    // Which of its outlines are dark, and what light lies over them, only its pixels tell.
    if (!only && picture.mime === 'image/svg+xml' && isOutlined(picture.bytes.toString('utf8')))
      return void this.plates.set(key, { kind: 'outlines' });
    const coverage = only ? await darknessOf(picture, widthMm) : await coverageOf(picture, widthMm);
    this.plates.set(key, coverage ? { kind: 'mask', coverage, widthMm } : { kind: 'all' });
  }

  private bytesOf(pictureId: string): PictureBytes {
    const picture = this.materials.pictures.get(pictureId);
    if (!picture) throw new RangeError(`PdfPictures: no bytes for picture “${pictureId}”`);
    return picture;
  }

  picture(pictureId: string, tint: string | null): PdfRef {
    const key = `${pictureId}${tint ?? ''}`;
    const known = this.stored.get(key);
    if (known) return known;
    const picture = this.bytesOf(pictureId);
    let ref: PdfRef;
    const pressed = this.pressed.get(key);
    if (pressed) ref = this.pressObject(pressed);
    else if (picture.mime === 'image/svg+xml') ref = this.vectorPicture(picture.bytes.toString('utf8'), tint);
    else {
      const image = this.doc.openImage(tint ? this.tinted.get(key)! : picture.bytes);
      image.embed(this.doc);
      ref = image.obj;
    }
    this.stored.set(key, ref);
    return ref;
  }

  /** One ink that only some printers have. Source: ISO 32000-1, 8.6.6.4 */
  whiteSpace(): PdfRef {
    this.white ??= finished(this.doc, [
      'Separation',
      'White',
      'DeviceRGB',
      { FunctionType: 2, Domain: [0, 1], C0: [1, 1, 1], C1: [1, 1, 1], N: 1 },
    ]);
    return this.white;
  }

  /** A picture’s shape in one ink, as a form or image that fills the unit square. */
  plate(pictureId: string, { ink, only = undefined }: Inked): PdfRef {
    const key = `${pictureId} plate ${ink} ${only ?? ''}`;
    const known = this.stored.get(key);
    if (known) return known;
    const plate = this.plates.get(`${pictureId}${only ?? ''}`);
    if (!plate) throw new RangeError(`PdfPictures: the plate of picture “${pictureId}” was not prepared`);
    const make = (): PdfRef => {
      switch (plate.kind) {
        case 'all':
          return this.solidForm(ink);
        case 'outlines':
          return this.vectorPicture(flatPaints(this.bytesOf(pictureId).bytes.toString('utf8')), null, ink);
        case 'mask':
          return this.maskedInk(plate.coverage, ink);
      }
    };
    const ref = make();
    this.stored.set(key, ref);
    return ref;
  }

  private solidForm(ink: string): PdfRef {
    const ref = this.doc.ref({
      ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 1, 1] },
      Resources: ink === WHITE_INK ? { ColorSpace: { White: this.whiteSpace() } } : {},
    });
    const parts = plainParts(ink).map((part) => part / 255);
    ref.end(
      `${ink === WHITE_INK ? '/White cs 1 scn' : `${parts.join(' ')} ${parts.length === 1 ? 'g' : 'rg'}`} 0 0 1 1 re f`,
    );
    return ref;
  }

  /** One pixel of ink, seen through a mask as fine as the plate wants to be. Source: ISO 32000-1, 11.6.5.2 */
  private maskedInk({ width, height, alpha }: Coverage, ink: string): PdfRef {
    const image = (data: Record<string, unknown>, bytes: Buffer): PdfRef =>
      filled(this.doc, { Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8, ...data }, bytes);
    const mask = image({ Width: width, Height: height, ColorSpace: 'DeviceGray' }, alpha);
    const pixel = ink === WHITE_INK ? [255] : plainParts(ink);
    const space = ink === WHITE_INK ? this.whiteSpace() : pixel.length === 1 ? 'DeviceGray' : 'DeviceRGB';
    return image({ Width: 1, Height: 1, ColorSpace: space, SMask: mask }, Buffer.from(pixel));
  }

  /** Vector art as a form that fills the unit square, so that it is placed like any picture. */
  private vectorPicture(svg: string, tint: string | null, plated: string | null = null): PdfRef {
    const [width, height] = [1000, 1000];
    const recolour = (colour: KitColour): KitColour =>
      plated ? [plated === WHITE_INK ? [0, 0, 0] : channelsOf(plated), colour[1]] : tintColour(colour, tint!);
    const resources = { Font: {}, XObject: {}, ExtGState: {}, Pattern: {}, ColorSpace: {} };
    const ref = this.doc.ref({
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [0, 0, width, height],
      // Drawn with y down, placed like an image with y up.
      Matrix: [1 / width, 0, 0, -1 / height, 0, 1],
      Group: { S: 'Transparency', CS: 'DeviceRGB', I: true, K: false },
      Resources: plated === WHITE_INK ? { ...resources, ColorSpace: { White: this.whiteSpace() } } : resources,
    });
    const [page, ctm, font] = [this.doc.page, this.doc._ctm, this.doc._font];
    this.doc._ctm = [1, 0, 0, 1, 0, 0];
    this.doc.page = {
      width,
      height,
      write: (text: string) => ref.write(plated === WHITE_INK ? inWhite(text) : text),
      fonts: resources.Font,
      xobjects: resources.XObject,
      ext_gstates: resources.ExtGState,
      patterns: resources.Pattern,
      colorSpaces: resources.ColorSpace,
    } as unknown as Kit['page'];
    try {
      SVGtoPDF(this.doc, svg, 0, 0, {
        width,
        height,
        preserveAspectRatio: 'none',
        assumePt: true,
        useCSS: false,
        warningCallback: () => {},
        fontCallback: () => {
          this.setLetters();
          return LABEL_TYPEFACE_ID;
        },
        ...(tint || plated ? { colorCallback: (colour: KitColour) => recolour(colour) } : {}),
      });
    } finally {
      [this.doc.page, this.doc._ctm, this.doc._font] = [page, ctm, font];
    }
    ref.end();
    return ref;
  }
}

/** Outlines that were all drawn in one colour, in white ink instead. */
const inWhite = (calls: string): string =>
  calls.replace(/^\/DeviceRGB (cs|CS)$/gm, '/White $1').replace(/^[\d.]+ [\d.]+ [\d.]+ (scn|SCN)$/gm, '1 $1');

/** What a plate holds of one picture. */
type Plate =
  | { readonly kind: 'all' }
  | { readonly kind: 'outlines' }
  | { readonly kind: 'mask'; readonly coverage: Coverage; readonly widthMm: number };

/** As wide as a picture is printed; of a pattern, as wide as one tile’s picture. */
const widthPrinted = (shape: Extract<Shape, { kind: 'picture' | 'tiles' }>): number =>
  shape.kind === 'picture' ? shape.box.widthMm : shape.tileMm * Math.max(1, shape.aspect);

type KitColour = [[number, number, number], number];

const channelsOf = (colour: string): [number, number, number] =>
  [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16)) as [number, number, number];

/** Of 255: one part where a colour is black, grey or white, so that a printer lays it in black alone; else three. */
const plainParts = (colour: string): readonly number[] => {
  const parts = channelsOf(colour);
  return parts.every((part) => part === parts[0]) ? [parts[0]] : parts;
};

function tintColour([parts, opacity]: KitColour, tint: string): KitColour {
  const grey = parts.reduce((sum, part, i) => sum + part * GREY_WEIGHTS[i]!, 0) / 255;
  const mixed = channelsOf(tint).map((dark) => Math.round(dark + (255 - dark) * grey));
  return [mixed as [number, number, number], opacity];
}
