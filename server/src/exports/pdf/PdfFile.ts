import { inflateSync } from 'node:zlib';
import {
  isPressBlack,
  chainOf,
  LABEL_CHAIN,
  LABEL_TYPEFACE_ID,
  mayEmbed,
  MM_PER_POINT,
  pdfCalls,
  WHITE_INK,
  rgb,
  type Box,
  type FileGlyph,
  type Page,
  type PdfLender,
  type Scene,
} from '@zippy/core';
import { unpackWoff } from '@zippy/core/typefaces';
import {
  filled,
  finished,
  newGlyph,
  noResources,
  openDocument,
  type Kit,
  type PdfFont,
  type PdfRef,
  type Resources,
} from './kit.ts';
import { PdfPictures } from './PdfPictures.ts';
import type { PressInks } from './pressInks.ts';
import type { Materials } from '../types.ts';

const POINTS_PER_MM = 1 / MM_PER_POINT;

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
  private readonly pictures: PdfPictures;
  private readonly shadings = new Map<string, PdfRef>();
  private readonly symbols = new Map<string, PdfRef>();
  private readonly opacities = new Map<number, PdfRef>();
  private multiplied: PdfRef | null = null;
  private overprint: PdfRef | null = null;
  private blackOver: PdfRef | null = null;

  constructor(
    title: string,
    private readonly materials: PdfMaterials,
    /** For a file that goes to a press: every colour and picture in its four inks. */
    private readonly inks: PressInks | null = null,
  ) {
    this.doc = openDocument(title, materials.date);
    this.pictures = new PdfPictures(this.doc, materials, inks, () => this.font(LABEL_TYPEFACE_ID));
    if (inks) sayInks(this.doc, inks.profile);
  }

  /** What takes time to make for a page is made before it. */
  async prepare(scene: Scene): Promise<void> {
    await this.inks?.prepare(scene);
    await this.pictures.prepare(scene);
  }

  /** What is written so far can be read here as it is made. */
  get stream(): NodeJS.ReadableStream {
    return this.doc;
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
    this.overprint ??= finished(this.doc, { Type: 'ExtGState', OP: true, op: true, OPM: 1, BM: 'Multiply' });
    resources.ExtGState.Overprint = this.overprint;
    return `q /Overprint gs ${pdfCalls(white.shapes, this.lender(resources, white))} Q`;
  }

  end(): void {
    this.doc.end();
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
      keptOut: (typefaceId) => {
        const typeface = this.materials.fonts.book.get(typefaceId);
        return typeface && !mayEmbed(typeface.embedding) ? typeface : null;
      },
      picture: (pictureId, tint) => {
        const name = `P${pictureId.replace(/\W/g, '')}${tint ? tint.slice(1) : ''}`;
        resources.XObject[name] = this.pictures.picture(pictureId, tint);
        return name;
      },
      plate: (pictureId, inked) => {
        const name = `K${pictureId.replace(/\W/g, '')}${inked.ink.replace(/\W/g, '')}${inked.only ?? ''}`;
        resources.XObject[name] = this.pictures.plate(pictureId, inked);
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
        this.multiplied ??= finished(this.doc, { Type: 'ExtGState', BM: 'Multiply' });
        resources.ExtGState.Multiply = this.multiplied;
        return 'Multiply';
      },
      overprint: (colour) => {
        if (!this.inks || colour === WHITE_INK || !isPressBlack(colour)) return null;
        this.blackOver ??= finished(this.doc, { Type: 'ExtGState', OP: true, op: true, OPM: 1 });
        resources.ExtGState.BlackOver = this.blackOver;
        return 'BlackOver';
      },
      press: (colour) => this.inks?.of(colour) ?? null,
      white: () => {
        resources.ColorSpace.White = this.pictures.whiteSpace();
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
}

/** Unpacked, because the library would inflate a table of a packed font again for every letter; and once for all files. */
const fontFiles = new WeakMap<Buffer, Buffer>();
function unpacked(packed: Buffer): Buffer {
  let font = fontFiles.get(packed);
  if (!font) fontFiles.set(packed, (font = Buffer.from(unpackWoff(packed, inflateSync))));
  return font;
}

/** A box on a page with y up from the bottom left, in points. */
function pageBox(box: Box, page: Box): readonly number[] {
  const left = box.xMm - page.xMm;
  const top = box.yMm - page.yMm;
  return [left, page.heightMm - top - box.heightMm, left + box.widthMm, page.heightMm - top].map(
    (mm) => mm * POINTS_PER_MM,
  );
}

/** What the numbers of the four inks mean. Source: ISO 32000-1, 14.11.5 */
function sayInks(doc: Kit, icc: Buffer): void {
  const intent = {
    Type: 'OutputIntent',
    S: 'GTS_PDFX',
    OutputConditionIdentifier: new String('Custom'),
    Info: new String('Press inks of the profile in this file'),
    DestOutputProfile: filled(doc, { N: 4, Alternate: 'DeviceCMYK' }, icc),
  };
  (doc as unknown as { _root: PdfRef })._root.data.OutputIntents = [intent];
}
