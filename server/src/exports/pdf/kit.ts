import { createHash } from 'node:crypto';
import PDFDocument from 'pdfkit';
import type { FileGlyph } from '@zippy/core';

/** The parts of pdfkit that its own types do not list. */
export interface PdfRef {
  readonly data: Record<string, unknown>;
  end(content?: string): void;
  write(content: string | Buffer): void;
}
export interface PdfFont {
  readonly id: string;
  readonly subset: { includeGlyph(id: number): number };
  readonly widths: number[];
  readonly unicode: number[][];
  readonly scale: number;
  readonly font: { getGlyph(id: number): { advanceWidth: number } };
  ref(): PdfRef;
}
export interface Resources {
  readonly Font: Record<string, PdfRef>;
  readonly XObject: Record<string, PdfRef>;
  readonly ExtGState: Record<string, PdfRef>;
  readonly Shading: Record<string, PdfRef>;
  readonly ColorSpace: Record<string, PdfRef>;
}
export const noResources = (): Resources => ({ Font: {}, XObject: {}, ExtGState: {}, Shading: {}, ColorSpace: {} });
export type Kit = PDFKit.PDFDocument & {
  _font: PdfFont;
  _ctm: number[];
  page: { dictionary: { data: Record<string, unknown> }; resources: { data: Record<string, unknown> } };
  ref(data: Record<string, unknown> | readonly unknown[]): PdfRef;
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

/** A document that is filled page by page, with its facts and its identifier. */
export function openDocument(title: string, date: string | null): Kit {
  const doc = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    pdfVersion: '1.6',
    info: {
      ...{ Title: title, Creator: 'Zippy Crease', Producer: 'Zippy Crease' },
      CreationDate: new Date(`${date ?? '1970-01-01'}T00:00:00Z`),
    },
  }) as unknown as Kit;
  if (date === null) sayNoDate(doc);
  nameByContent(doc);
  return doc;
}

/** The library’s own types know dictionaries alone, and no writing of bytes. */
const newRef = (doc: Kit, data: unknown): PdfRef => (doc as unknown as { ref(data: unknown): PdfRef }).ref(data);

/** An object of the file whose facts are all there is of it. */
export function finished(doc: Kit, data: Record<string, unknown> | readonly unknown[]): PdfRef {
  const ref = newRef(doc, data);
  ref.end();
  return ref;
}

/** An object of the file with bytes in it. */
export function filled(doc: Kit, data: Record<string, unknown>, bytes: Buffer): PdfRef {
  const ref = newRef(doc, data);
  ref.write(bytes);
  ref.end();
  return ref;
}

/** A letter that comes into the file, and its width there. */
export function newGlyph(font: PdfFont, id: number, chars: string): FileGlyph {
  const code = font.subset.includeGlyph(id);
  font.widths[code] ??= font.font.getGlyph(id).advanceWidth * font.scale;
  font.unicode[code] ??= [...chars].map((char) => char.codePointAt(0)!);
  return { hex: code.toString(16).padStart(4, '0'), width: font.widths[code] };
}
