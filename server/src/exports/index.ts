import { drawCutAndCrease, drawEnvelopeSheet, drawMachineFile } from '@zippy/core';
import { collect } from './collect.ts';
import { exactFaces } from './exactFaces.ts';
import { PdfFile } from './pdfDocument.ts';
import { PressInks } from './pressInks.ts';
import { sceneToDxf } from './dxf.ts';
import { sceneToPng, sceneToSvg } from './scenes.ts';
import { panelsPdf } from './panels.ts';
import { facePages, sheetsDrawn, sheetsPdf, sidePages } from './sheets.ts';
import { guidesPdf, proofPdf, templateFiles } from './templates.ts';
import { cutsCsv, figuresCsv, namesCsv } from './tables.ts';
import { ticketPdf } from './ticket.ts';
import {
  EXPORTS,
  ExportRefused,
  type ExportFile,
  type ExportFormat,
  type ExportInput,
  type ExportWhat,
} from './types.ts';

export { loadFonts, type Fonts } from './fonts.ts';
export {
  EXPORTS,
  ExportRefused,
  type ExportFile,
  type ExportFormat,
  type ExportInput,
  type ExportWhat,
  type PictureBytes,
} from './types.ts';
export { heaviestInk, loadInkLattice } from '../pictures/fourInks.ts';
export { readPicture, PictureRefused, type ReadPicture } from '../pictures/readPicture.ts';

/** True when this piece of work can be written this way. */
export const canExport = (what: string, format: string): what is ExportWhat =>
  what in EXPORTS && (EXPORTS[what as ExportWhat] as readonly string[]).includes(format);

/** File names keep to letters, digits and dashes, so that every system takes them. */
export const fileStem = (title: string): string =>
  title
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 60) || 'card';

/**
 * Writes one piece of a job in one format.
 * @throws ExportRefused when the plan has nothing of the kind to write
 */
export async function exportFiles(
  what: ExportWhat,
  format: ExportFormat,
  input: ExportInput,
): Promise<readonly ExportFile[]> {
  const name = fileStem(input.job.brief.title);
  switch (what) {
    case 'sheets':
      if (format === 'csv') return namesCsv(input, name);
      return format === 'svg' || format === 'png' ? sheetsDrawn(input, name, format) : sheetsPdf(input, name);
    case 'panels':
      return panelsPdf(input, name);
    case 'cut': {
      if (input.plan.sheet.up === 0)
        throw new ExportRefused(
          'No card fits on the sheet, so there is nothing to cut: apply one of the remedies at Sheet first.',
        );
      const { size, sheet, cut } = input.plan;
      if (format === 'csv') return cutsCsv(input, name);
      // A machine follows every line on its cut layer, so its file holds outlines and nothing to be cut away.
      const scene = cut.machine ? drawMachineFile(size, sheet) : drawCutAndCrease(size, sheet, cut);
      const stem = `${name}-${cut.machine ? 'machine' : 'cut-crease'}`;
      if (format === 'dxf')
        return [{ name: `${stem}.dxf`, mime: 'image/vnd.dxf', bytes: Buffer.from(sceneToDxf(scene)) }];
      const svg = sceneToSvg(scene, `${input.job.brief.title}: cut and crease`, input, true);
      return [{ name: `${stem}.svg`, mime: 'image/svg+xml', bytes: Buffer.from(svg) }];
    }
    case 'envelope': {
      const page = drawEnvelopeSheet(input.plan.envelope);
      const title = `${input.job.brief.title}: envelope`;
      if (format === 'svg')
        return [
          {
            name: `${name}-envelope.svg`,
            mime: 'image/svg+xml',
            bytes: Buffer.from(sceneToSvg(page.scene, title, input)),
          },
        ];
      const file = new PdfFile(title, input);
      const bytes = collect(file.stream);
      file.addPage(page);
      file.end();
      return [{ name: `${name}-envelope.pdf`, mime: 'application/pdf', bytes: await bytes }];
    }
    case 'ticket':
      return format === 'csv' ? figuresCsv(input, name) : ticketPdf(input, name);
    case 'face':
      return faceFiles(format, input, name);
    case 'side':
      return sideFiles(input, name);
    case 'press':
      return facesPdf(input, `${name}-faces-press-inks`, await PressInks.load());
    case 'template':
      return templateFiles(format, input, name);
    case 'guides':
      return guidesPdf(input, name);
    case 'proof':
      return proofPdf(input, name);
  }
}

/** The open blank as a print house takes it: a file for each printed side, as that side is seen, folds and all. */
async function sideFiles(input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  const files: ExportFile[] = [];
  for (const { side, page } of sidePages(input)) {
    const file = new PdfFile(`${input.job.brief.title}: ${side}`, input);
    const bytes = collect(file.stream);
    await file.prepare(page.scene);
    file.addPage(page);
    file.end();
    files.push({ name: `${name}-${side}.pdf`, mime: 'application/pdf', bytes: await bytes });
  }
  if (files.length === 0)
    throw new ExportRefused('No face carries any art yet, so there is no side to write: put some on at Art first.');
  return files;
}

/** Every face on a page of its own, with its boxes; in a press’s four inks where those are given. */
async function facesPdf(
  input: ExportInput,
  name: string,
  inks: PressInks | null = null,
): Promise<readonly ExportFile[]> {
  const file = new PdfFile(`${input.job.brief.title}: faces`, input, inks);
  const bytes = collect(file.stream);
  for (const { page } of facePages(input)) {
    await file.prepare(page.scene);
    file.addPage(page);
  }
  file.end();
  return [{ name: `${name}.pdf`, mime: 'application/pdf', bytes: await bytes }];
}

async function faceFiles(format: ExportFormat, input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  if (format === 'png' && input.pixels) return exactFaces({ ...input, pixels: input.pixels }, name);
  if (format === 'pdf') return facesPdf(input, `${name}-faces`);
  const pages = facePages(input);
  return Promise.all(
    pages.map(async ({ id, page }): Promise<ExportFile> => {
      const title = `${input.job.brief.title}: ${id}`;
      return format === 'svg'
        ? { name: `${name}-${id}.svg`, mime: 'image/svg+xml', bytes: Buffer.from(sceneToSvg(page.scene, title, input)) }
        : { name: `${name}-${id}.png`, mime: 'image/png', bytes: await sceneToPng(page.scene, title, input) };
    }),
  );
}
