import { drawCutAndCrease, drawEnvelopeSheet, drawMachineFile, whitePlate, type Page, type Scene } from '@zippy/core';
import { collect } from './collect.ts';
import { exactFaces } from './exactFaces.ts';
import { PdfFile } from './pdfDocument.ts';
import { PressInks } from './pressInks.ts';
import { pressNotes } from './pressNotes.ts';
import { sceneToDxf } from './dxf.ts';
import { sceneToSvg } from './scenes.ts';
import { panelsPdf } from './panels.ts';
import { drawnFile, facePages, sheetsDrawn, sheetsPdf, sidePages } from './sheets.ts';
import { guidesPdf, proofPdf, templateFiles } from './templates.ts';
import { cutsCsv, figuresCsv, namesCsv } from './tables.ts';
import { ticketPdf } from './ticket.ts';
import { ExportRefused, type ExportFile, type ExportFormat, type ExportInput, type ExportWhat } from './types.ts';

export { loadFonts, type Fonts } from './fonts.ts';
export {
  canExport,
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

/** Letters that are no plain one with a sign on it. */
const PLAIN_LETTERS: Readonly<Record<string, string>> = {
  ...{ Ł: 'L', ł: 'l', Ø: 'O', ø: 'o', Đ: 'D', đ: 'd', Ħ: 'H', ħ: 'h', ı: 'i' },
  ...{ ß: 'ss', Æ: 'Ae', æ: 'ae', Œ: 'Oe', œ: 'oe', Þ: 'Th', þ: 'th' },
};

/** File names keep to letters, digits and dashes, so that every system takes them. */
export const fileStem = (title: string): string =>
  title
    .replace(/[ŁłØøĐđßÆæŒœÞþıĦħ]/g, (letter) => PLAIN_LETTERS[letter]!)
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
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
    case 'press': {
      const inks = await PressInks.load();
      const files = await facesPdf(input, `${name}-faces-press-inks`, inks);
      const notes = `${pressNotes(input.plan, inks).join('\n')}\n`;
      return [...files, { name: `${name}-press-notes.txt`, mime: 'text/plain', bytes: Buffer.from(notes) }];
    }
    case 'template':
      return templateFiles(format, input, name);
    case 'guides':
      return guidesPdf(input, name);
    case 'proof':
      return proofPdf(input, name);
  }
}

/** White that is laid on this card, as an ink of its own in files that can say so. */
const whiteOf = ({ plan }: ExportInput, page: Page): Scene | undefined =>
  plan.art.onStock.coloured && plan.art.onStock.white ? whitePlate(page.scene) : undefined;

async function addWithWhite(file: PdfFile, input: ExportInput, page: Page): Promise<void> {
  const white = whiteOf(input, page);
  await file.prepare(page.scene);
  if (white) await file.prepare(white);
  file.addPage(page, white);
}

/** The open blank as a print house takes it: a file for each printed side, as that side is seen, folds and all. */
async function sideFiles(input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  const files: ExportFile[] = [];
  for (const { side, page } of sidePages(input)) {
    const file = new PdfFile(`${input.job.brief.title}: ${side}`, input);
    const bytes = collect(file.stream);
    await addWithWhite(file, input, page);
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
  for (const { page } of facePages(input)) await addWithWhite(file, input, page);
  file.end();
  return [{ name: `${name}.pdf`, mime: 'application/pdf', bytes: await bytes }];
}

async function faceFiles(format: ExportFormat, input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  if (format === 'png' && input.pixels) return exactFaces({ ...input, pixels: input.pixels }, name);
  if (format === 'pdf') return facesPdf(input, `${name}-faces`);
  const files: ExportFile[] = [];
  const drawn = format === 'svg' ? 'svg' : 'png';
  for (const { id, page } of facePages(input)) {
    const title = `${input.job.brief.title}: ${id}`;
    files.push(await drawnFile(page.scene, `${name}-${id}`, title, drawn, input));
    // A drawing has no ink of its own for white: where it goes stands in a second one, in black.
    if (whiteOf(input, page))
      files.push(
        await drawnFile(whitePlate(page.scene, '#000000'), `${name}-${id}-white`, `${title}, white`, drawn, input),
      );
  }
  return files;
}
