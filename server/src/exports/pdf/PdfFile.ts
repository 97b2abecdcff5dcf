import { createHash } from 'node:crypto';
import PDFDocument from 'pdfkit';
import SVGtoPDF from 'svg-to-pdfkit';
import {
  GREY_WEIGHTS,
  isPressBlack,
  chainOf,
  LABEL_CHAIN,
  LABEL_TYPEFACE_ID,
  MM_PER_POINT,
  pdfCalls,
  WHITE_INK,
  rgb,
  type Box,
  type FileGlyph,
  type Page,
  type PdfLender,
  type Scene,
  type Shape,
} from '@zippy/core';
import { unpackWoff } from '@zippy/core/typefaces';
import { coverageOf, flatPaints, isOutlined, tintedPixels, type Coverage } from './plates.ts';
import { pressPicture, type PressInks, type PressPicture } from './pressInks.ts';
import type { Materials, PictureBytes } from '../types.ts';

const POINTS_PER_MM = 1 / MM_PER_POINT;

/** The parts of pdfkit that its own types do not list. */
interface PdfRef {
  readonly data: Record<string, unknown>;
  end(content?: string): void;
  write(content: string): void;
}
interface PdfFont {
  readonly id: string;
  readonly subset: { includeGlyph(id: number): number };
  readonly widths: number[];
  readonly unicode: number[][];
  readonly scale: number;
  readonly font: { getGlyph(id: number): { advanceWidth: number } };
  ref(): PdfRef;
}
interface Resources {
  readonly Font: Record<string, PdfRef>;
  readonly XObject: Record<string, PdfRef>;
  readonly ExtGState: Record<string, PdfRef>;
  readonly Shading: Record<string, PdfRef>;
  readonly ColorSpace: Record<string, PdfRef>;
}
const noResources = (): Resources => ({ Font: {}, XObject: {}, ExtGState: {}, Shading: {}, ColorSpace: {} });
type Kit = PDFKit.PDFDocument & {
  _font: PdfFont;
  _ctm: number[];
  page: { dictionary: { data: Record<string, unknown> }; resources: { data: Record<string, unknown> } };
  ref(data: Record<string, unknown>): PdfRef;
  openImage(bytes: Buffer): { embed(doc: Kit): void; obj: PdfRef };
  addContent(text: string): Kit;
  _write(data: string | Uint8Array): void;
  endMetadata(): void;
};

/** The writer’s metadata stream cannot do without a date; a file without one has its facts in the plain dictionary. */
function sayNoDate(doc: Kit): void {
  delete doc.info.CreationDate;
  doc.endMetadata = () => undefined;
}

/**
 * The file’s identifier from all that was written before it, so that the same job, day and fonts give the same bytes.
 * Source: ISO 32000-1, 14.4
 */
function nameByContent(doc: Kit): void {
  const written = createHash('sha256');
  const write = doc._write.bind(doc);
  doc._write = (data) => {
    written.update(data);
    write(data);
  };
  Object.defineProperty(doc, '_id', { get: () => written.copy().digest().subarray(0, 16) });
}

interface PdfMaterials extends Materials {
  /** It shows what comes out on the card; every other file holds the inks, which mix on paper. */
  readonly forLooking?: boolean;
}

/**
 * A PDF written page by page. Fonts are subset, pictures and symbols are stored once and placed many
 * times; within one file a symbol's name stands for one drawing.
 */
export class PdfFile {
  private readonly doc: Kit;
  private readonly fonts = new Map<string, PdfFont>();
  private readonly glyphs = new Map<PdfFont, FileGlyph[]>();
  private readonly pictures = new Map<string, PdfRef>();
  private readonly tinted = new Map<string, Buffer>();
  private readonly pressed = new Map<string, PressPicture>();
  private readonly plates = new Map<string, Plate>();
  private readonly shadings = new Map<string, PdfRef>();
  private readonly symbols = new Map<string, PdfRef>();
  private readonly opacities = new Map<number, PdfRef>();
  private multiplied: PdfRef | null = null;
  private overprint: PdfRef | null = null;
  private blackOver: PdfRef | null = null;
  private white: PdfRef | null = null;

  constructor(
    title: string,
    private readonly materials: PdfMaterials,
    /** For a file that goes to a press: every colour and picture in its four inks. */
    private readonly inks: PressInks | null = null,
  ) {
    this.doc = new PDFDocument({
      autoFirstPage: false,
      margin: 0,
      pdfVersion: '1.6',
      info: {
        ...{ Title: title, Creator: 'Zippy Crease', Producer: 'Zippy Crease' },
        CreationDate: new Date(`${materials.date ?? '1970-01-01'}T00:00:00Z`),
      },
    }) as unknown as Kit;
    if (materials.date === null) sayNoDate(this.doc);
    nameByContent(this.doc);
    if (inks) this.sayInks(inks.profile);
  }

  /** What the numbers of the four inks mean. Source: ISO 32000-1, 14.11.5 */
  private sayInks(icc: Buffer): void {
    const profile = (this.doc as { ref(data: unknown): PdfRef }).ref({ N: 4, Alternate: 'DeviceCMYK' });
    profile.write(icc as unknown as string);
    profile.end();
    const intent = {
      Type: 'OutputIntent',
      S: 'GTS_PDFX',
      OutputConditionIdentifier: new String('Custom'),
      Info: new String('Press inks of the profile in this file'),
      DestOutputProfile: profile,
    };
    (this.doc as unknown as { _root: PdfRef })._root.data.OutputIntents = [intent];
  }

  /** What is written so far can be read here as it is made. */
  get stream(): NodeJS.ReadableStream {
    return this.doc;
  }

  /** Tinted pictures are made before the pages that need them, because making them takes time. */
  async prepare(scene: Scene): Promise<void> {
    const { shapes, symbols } = scene;
    await this.inks?.prepare(scene);
    const visit = async (own: readonly Shape[]): Promise<void> => {
      for (const shape of own) {
        if (shape.kind === 'group') await visit(shape.children);
        if ((shape.kind === 'picture' || shape.kind === 'tiles') && shape.ink) {
          await this.preparePlate(shape.pictureId, widthPrinted(shape));
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
    const image = (data: Record<string, unknown>, bytes: Buffer): PdfRef => {
      const ref = (this.doc as { ref(data: unknown): PdfRef }).ref({
        ...{ Type: 'XObject', Subtype: 'Image', Width: width, Height: height, BitsPerComponent: 8 },
        ...data,
      });
      ref.write(bytes as unknown as string);
      ref.end();
      return ref;
    };
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
  private async preparePlate(pictureId: string, widthMm: number): Promise<void> {
    const picture = this.bytesOf(pictureId);
    const known = this.plates.get(pictureId);
    if (known && (known.kind !== 'mask' || known.widthMm >= widthMm)) return;
    if (picture.mime === 'image/svg+xml' && isOutlined(picture.bytes.toString('utf8')))
      return void this.plates.set(pictureId, { kind: 'outlines' });
    const coverage = await coverageOf(picture, widthMm);
    this.plates.set(pictureId, coverage ? { kind: 'mask', coverage, widthMm } : { kind: 'all' });
  }

  /**
   * @param white a plate of white ink laid under this page’s colours, where the printer has white
   */
  addPage({ scene, trimBox, bleedBox }: Page, white?: Scene): void {
    const { widthMm, heightMm } = scene.box;
    this.doc.addPage({ size: [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM], margin: 0 });
    const { data } = this.doc.page.dictionary;
    data.TrimBox = pageBox(trimBox, scene.box);
    data.BleedBox = pageBox(bleedBox, scene.box);
    const resources = noResources();
    const calls = [
      pdfCalls(scene.shapes, this.lender(resources, scene)),
      ...(white ? [this.plateCalls(white, resources)] : []),
    ].join('\n');
    // pdfkit has already turned the page so that y runs down; what is left is points to millimetres.
    const k = POINTS_PER_MM;
    this.doc.addContent(`q ${k} 0 0 ${k} ${-scene.box.xMm * k} ${-scene.box.yMm * k} cm\n${calls}\nQ`);
    const own = this.doc.page.resources.data;
    for (const [kind, entries] of Object.entries(resources))
      own[kind] = { ...(own[kind] as Record<string, PdfRef> | undefined), ...(entries as Record<string, PdfRef>) };
  }

  /**
   * The plate comes last and overprints, so that it takes nothing off the plates below it; multiplied, its white
   * changes nothing in a program that knows no plates. Source: ISO 32000-1, 8.6.6.4 and 11.7.4
   */
  private plateCalls(white: Scene, resources: Resources): string {
    this.overprint ??= this.finished({ Type: 'ExtGState', OP: true, op: true, OPM: 1, BM: 'Multiply' });
    resources.ExtGState.Overprint = this.overprint;
    return `q /Overprint gs ${pdfCalls(white.shapes, this.lender(resources, white))} Q`;
  }

  private finished(data: Record<string, unknown> | unknown[]): PdfRef {
    const ref = (this.doc as { ref(data: unknown): PdfRef }).ref(data);
    ref.end();
    return ref;
  }

  end(): void {
    this.doc.end();
  }

  /** Room for flowing text, for documents that are read rather than cut. */
  get flow(): PDFKit.PDFDocument {
    return this.doc;
  }

  private lender(resources: Resources, scene: Scene): PdfLender {
    return {
      labelTypefaces: chainOf(this.materials.fonts.book, LABEL_CHAIN),
      font: (typefaceId) => {
        const font = this.font(typefaceId);
        resources.Font[font.id] = font.ref();
        return {
          name: font.id,
          glyph: (id, chars) => this.glyph(font, id, chars),
        };
      },
      picture: (pictureId, tint) => {
        const name = `P${pictureId.replace(/\W/g, '')}${tint ? tint.slice(1) : ''}`;
        resources.XObject[name] = this.picture(pictureId, tint);
        return name;
      },
      plate: (pictureId, ink) => {
        const name = `K${pictureId.replace(/\W/g, '')}${ink.replace(/\W/g, '')}`;
        resources.XObject[name] = this.plate(pictureId, ink);
        return name;
      },
      shading: (gradient) => {
        const key = JSON.stringify(gradient);
        let ref = this.shadings.get(key);
        if (!ref) {
          const { from, to, start, end } = gradient;
          const parts = (colour: string): readonly number[] =>
            this.inks?.of(colour) ?? rgb(colour).split(' ').map(Number);
          ref = this.doc.ref({
            ShadingType: 2,
            ColorSpace: this.inks ? 'DeviceCMYK' : 'DeviceRGB',
            Coords: [start.xMm, start.yMm, end.xMm, end.yMm],
            Function: { FunctionType: 2, Domain: [0, 1], C0: parts(from), C1: parts(to), N: 1 },
            Extend: [true, true],
          });
          ref.end();
          this.shadings.set(key, ref);
        }
        const name = `H${[...this.shadings.keys()].indexOf(key)}`;
        resources.Shading[name] = ref;
        return name;
      },
      opacity: (value) => {
        const name = `O${Math.round(value * 1000)}`;
        resources.ExtGState[name] = this.opacity(value);
        return name;
      },
      multiply: () => {
        if (!this.materials.forLooking)
          throw new RangeError('PdfFile: a blended group is for looking at, not for printing');
        this.multiplied ??= this.finished({ Type: 'ExtGState', BM: 'Multiply' });
        resources.ExtGState.Multiply = this.multiplied;
        return 'Multiply';
      },
      overprint: (colour) => {
        if (!this.inks || colour === WHITE_INK || !isPressBlack(colour)) return null;
        this.blackOver ??= this.finished({ Type: 'ExtGState', OP: true, op: true, OPM: 1 });
        resources.ExtGState.BlackOver = this.blackOver;
        return 'BlackOver';
      },
      press: (colour) => this.inks?.of(colour) ?? null,
      white: () => {
        resources.ColorSpace.White = this.whiteSpace();
        return 'White';
      },
      symbol: (id) => {
        resources.XObject[`S${id}`] = this.symbol(id, scene);
        return `S${id}`;
      },
    };
  }

  private font(typefaceId: string): PdfFont {
    const known = this.fonts.get(typefaceId);
    if (known) return known;
    const bytes = this.materials.fonts.bytes.get(typefaceId);
    if (!bytes) throw new RangeError(`PdfFile: no typeface “${typefaceId}”`);
    this.doc.registerFont(typefaceId, unpacked(bytes));
    this.doc.font(typefaceId);
    this.fonts.set(typefaceId, this.doc._font);
    return this.doc._font;
  }

  /** A letter comes back thousands of times in a file of names. */
  private glyph(font: PdfFont, id: number, chars: string): FileGlyph {
    let known = this.glyphs.get(font);
    if (!known) this.glyphs.set(font, (known = []));
    return (known[id] ??= newGlyph(font, id, chars));
  }

  private opacity(value: number): PdfRef {
    const known = this.opacities.get(value);
    if (known) return known;
    const ref = this.doc.ref({ Type: 'ExtGState', ca: value, CA: value });
    ref.end();
    this.opacities.set(value, ref);
    return ref;
  }

  private symbol(id: string, scene: Scene): PdfRef {
    const known = this.symbols.get(id);
    if (known) return known;
    const symbol = scene.symbols[id];
    if (!symbol) throw new RangeError(`PdfFile: no symbol “${id}” in the scene`);
    const resources = noResources();
    const calls = pdfCalls(symbol.shapes, this.lender(resources, scene));
    const { xMm, yMm, widthMm, heightMm } = symbol.box;
    const ref = this.doc.ref({
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [xMm, yMm, xMm + widthMm, yMm + heightMm],
      Resources: { ...resources },
    });
    ref.end(calls);
    this.symbols.set(id, ref);
    return ref;
  }

  private bytesOf(pictureId: string): PictureBytes {
    const picture = this.materials.pictures.get(pictureId);
    if (!picture) throw new RangeError(`PdfFile: no bytes for picture “${pictureId}”`);
    return picture;
  }

  private picture(pictureId: string, tint: string | null): PdfRef {
    const key = `${pictureId}${tint ?? ''}`;
    const known = this.pictures.get(key);
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
    this.pictures.set(key, ref);
    return ref;
  }

  /** One ink that only some printers have. Source: ISO 32000-1, 8.6.6.4 */
  private whiteSpace(): PdfRef {
    this.white ??= this.finished([
      'Separation',
      'White',
      'DeviceRGB',
      { FunctionType: 2, Domain: [0, 1], C0: [1, 1, 1], C1: [1, 1, 1], N: 1 },
    ]);
    return this.white;
  }

  /** A picture’s shape in one ink, as a form or image that fills the unit square. */
  private plate(pictureId: string, ink: string): PdfRef {
    const key = `${pictureId} plate ${ink}`;
    const known = this.pictures.get(key);
    if (known) return known;
    const plate = this.plates.get(pictureId);
    if (!plate) throw new RangeError(`PdfFile: the plate of picture “${pictureId}” was not prepared`);
    if (!isPlateInk(ink)) throw new RangeError(`PdfFile: a plate is drawn in white or black, not in ${ink}`);
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
    this.pictures.set(key, ref);
    return ref;
  }

  private solidForm(ink: PlateInk): PdfRef {
    const ref = (this.doc as { ref(data: unknown): PdfRef }).ref({
      ...{ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 1, 1] },
      Resources: ink === WHITE_INK ? { ColorSpace: { White: this.whiteSpace() } } : {},
    });
    ref.end(`${ink === WHITE_INK ? '/White cs 1 scn' : ink === PAPER_WHITE ? '1 g' : '0 g'} 0 0 1 1 re f`);
    return ref;
  }

  /** One pixel of ink, seen through a mask as fine as the plate wants to be. Source: ISO 32000-1, 11.6.5.2 */
  private maskedInk({ width, height, alpha }: Coverage, ink: PlateInk): PdfRef {
    const image = (data: Record<string, unknown>, bytes: Buffer): PdfRef => {
      const ref = (this.doc as { ref(data: unknown): PdfRef }).ref({
        ...{ Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8 },
        ...data,
      });
      ref.write(bytes as unknown as string);
      ref.end();
      return ref;
    };
    const mask = image({ Width: width, Height: height, ColorSpace: 'DeviceGray' }, alpha);
    const space = ink === WHITE_INK ? this.whiteSpace() : 'DeviceGray';
    return image({ Width: 1, Height: 1, ColorSpace: space, SMask: mask }, Buffer.from([ink === BLACK ? 0 : 255]));
  }

  /** Vector art as a form that fills the unit square, so that it is placed like any picture. */
  private vectorPicture(svg: string, tint: string | null, plated: PlateInk | null = null): PdfRef {
    const [width, height] = [1000, 1000];
    const recolour = (colour: KitColour): KitColour =>
      plated ? [plated === PAPER_WHITE ? [255, 255, 255] : [0, 0, 0], colour[1]] : tintColour(colour, tint!);
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
        // Lettering in a picture is set in a shipped font, so that every font in the file is embedded.
        fontCallback: () => {
          this.font(LABEL_TYPEFACE_ID);
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

/** Unpacked, because the library would inflate a table of a packed font again for every letter; and once for all files. */
const fontFiles = new WeakMap<Buffer, Buffer>();
function unpacked(packed: Buffer): Buffer {
  let font = fontFiles.get(packed);
  if (!font) fontFiles.set(packed, (font = Buffer.from(unpackWoff(packed))));
  return font;
}

function newGlyph(font: PdfFont, id: number, chars: string): FileGlyph {
  const code = font.subset.includeGlyph(id);
  font.widths[code] ??= font.font.getGlyph(id).advanceWidth * font.scale;
  font.unicode[code] ??= [...chars].map((char) => char.codePointAt(0)!);
  return { hex: code.toString(16).padStart(4, '0'), width: font.widths[code] };
}

const BLACK = '#000000';
const PAPER_WHITE = '#ffffff';
/** White as an ink of its own; black, where a page is of that ink alone; white to be looked at. */
type PlateInk = typeof WHITE_INK | typeof BLACK | typeof PAPER_WHITE;
const isPlateInk = (ink: string): ink is PlateInk => ink === WHITE_INK || ink === BLACK || ink === PAPER_WHITE;

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

function tintColour([parts, opacity]: KitColour, tint: string): KitColour {
  const grey = parts.reduce((sum, part, i) => sum + part * GREY_WEIGHTS[i]!, 0) / 255;
  const mixed = channelsOf(tint).map((dark) => Math.round(dark + (255 - dark) * grey));
  return [mixed as [number, number, number], opacity];
}

/** A box on a page with y up from the bottom left, in points. */
function pageBox(box: Box, page: Box): readonly number[] {
  const left = box.xMm - page.xMm;
  const top = box.yMm - page.yMm;
  return [left, page.heightMm - top - box.heightMm, left + box.widthMm, page.heightMm - top].map(
    (mm) => mm * POINTS_PER_MM,
  );
}
