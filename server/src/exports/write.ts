import Papa from 'papaparse';
import { sceneToDxf } from './draw/dxf.ts';
import { sceneToPng } from './draw/png.ts';
import { sceneToSvg } from './draw/svg.ts';
import { collect } from './pdf/collect.ts';
import { PdfFile } from './pdf/PdfFile.ts';
import { PressInks } from './pdf/pressInks.ts';
import type { Draft, ExportFile, ExportFormat, Materials, Progress } from './types.ts';

type Drafted<Kind extends Draft['kind']> = Extract<Draft, { readonly kind: Kind }>;

/** How often whoever waits is told, in pages. */
const TELL_EVERY = 25;

/** Counts the pages of one export over all its files. */
export class PageCount {
  private done = 0;
  constructor(private readonly tell: Progress | undefined) {}
  async one(total: number): Promise<void> {
    this.done += 1;
    if (this.done % TELL_EVERY === 0 || this.done === total) await this.tell?.(this.done, total);
  }
}

/** The one place where a file is opened, filled and closed, whatever it is of. */
export function writeDraft(
  draft: Draft,
  format: ExportFormat,
  materials: Materials,
  count = new PageCount(undefined),
): Promise<ExportFile> | ExportFile {
  switch (draft.kind) {
    case 'pages':
      return pagesFile(draft, materials, count);
    case 'drawing':
      return drawingFile(draft, format, materials);
    case 'table':
      return tableFile(draft);
    case 'words':
      return { name: `${draft.stem}.txt`, mime: 'text/plain', bytes: Buffer.from(draft.text) };
  }
}

const PDF = 'application/pdf';

async function pagesFile(
  { stem, title, pages, total, forLooking = false, forPress = false }: Drafted<'pages'>,
  materials: Materials,
  count: PageCount,
): Promise<ExportFile> {
  const inks = forPress ? await PressInks.load() : null;
  const file = new PdfFile(title, { ...materials, forLooking }, inks);
  const bytes = collect(file.stream);
  for (const { page, white, repeats = false } of pages) {
    if (!repeats) await file.prepare(page.scene);
    if (!repeats && white) await file.prepare(white);
    file.addPage(page, white);
    await count.one(total);
  }
  file.end();
  return { name: `${stem}.pdf`, mime: PDF, bytes: await bytes };
}

async function drawingFile(
  { stem, title, scene, layers = false, pixels }: Drafted<'drawing'>,
  format: ExportFormat,
  materials: Materials,
): Promise<ExportFile> {
  switch (format) {
    case 'svg':
      return {
        ...{ name: `${stem}.svg`, mime: 'image/svg+xml' },
        bytes: Buffer.from(sceneToSvg(scene, title, materials, layers)),
      };
    case 'dxf':
      return { name: `${stem}.dxf`, mime: 'image/vnd.dxf', bytes: Buffer.from(sceneToDxf(scene)) };
    case 'png':
      return { name: `${stem}.png`, mime: 'image/png', bytes: await sceneToPng(scene, title, materials, pixels) };
    case 'pdf':
    case 'csv':
      throw new RangeError(`writeDraft: a drawing wanted svg, dxf or png, got ${format}`);
  }
}

/**
 * A table for a spreadsheet: UTF-8 with its mark, so that accents are read; a cell that begins like a formula is
 * kept as text.
 */
function tableFile({ stem, columns, rows }: Drafted<'table'>): ExportFile {
  const text = Papa.unparse({ fields: [...columns], data: rows.map((row) => [...row]) }, { escapeFormulae: true });
  return { name: `${stem}.csv`, mime: 'text/csv', bytes: Buffer.from(`\uFEFF${text}\r\n`) };
}
