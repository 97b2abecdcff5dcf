import {
  correctPage,
  drawFace,
  drawSheetPage,
  drawSide,
  hasArt,
  printedBox,
  turnedLeftRight,
  type PaperSide,
  IDENTITY,
  nameSheet,
  polygon,
  whitePlate,
  type Page,
  type Plan,
  type SheetSide,
} from '@zippy/core';
import { PdfFile } from './pdfDocument.ts';
import { collect } from './collect.ts';
import { sceneToPng, sceneToSvg } from './scenes.ts';
import { ExportRefused, type ExportFile, type ExportInput } from './types.ts';

/** Sides of sheets in the order they go through the printer. */
export function* printingOrder({ sheet }: Plan): Generator<{ readonly side: SheetSide; readonly sheetNumber: number }> {
  const numbers = Array.from({ length: sheet.sheets }, (_, i) => i + 1);
  if (sheet.bothSidesAtOnce)
    for (const sheetNumber of numbers) for (const side of sheet.sides) yield { side, sheetNumber };
  else for (const side of sheet.sides) for (const sheetNumber of numbers) yield { side, sheetNumber };
}

export function sheetPage(
  { plan, job, date, fonts }: ExportInput,
  side: SheetSide,
  sheetNumber: number,
  { outlines = true, gathered = false } = {},
): Page {
  const sheet = {
    ...plan.sheet,
    named: nameSheet(
      job,
      plan.size,
      plan.sheet,
      fonts.book,
      sheetNumber,
      [side === 'front' ? 'outside' : 'inside'],
      outlines,
    ),
  };
  const page = drawSheetPage(
    plan.size,
    plan.art,
    sheet,
    side,
    { title: job.brief.title, date, sheetNumber },
    { gathered },
  );
  return correctPage(page, plan.sheet.calibration, side);
}

function refuseEmpty({ plan }: ExportInput): void {
  if (plan.sheet.up === 0)
    throw new ExportRefused(
      'No card fits on the sheet, so there is no sheet to write: apply one of the remedies at Sheet first.',
    );
}

/** A file has fonts of its own, and writes once what its pages share. */
const IN_A_FILE = { outlines: false, gathered: true };

export async function writeSheetsPdf(input: ExportInput, file: PdfFile): Promise<void> {
  refuseEmpty(input);
  const { plan } = input;
  const total = plan.sheet.sheets * plan.sheet.sides.length;
  let done = 0;
  const plated = plan.art.onStock.coloured && plan.art.onStock.white;
  for (const { side, sheetNumber } of printingOrder(plan)) {
    const page = sheetPage(input, side, sheetNumber, IN_A_FILE);
    // Every sheet of a side carries the same art.
    if (sheetNumber === 1) await file.prepare(page.scene);
    file.addPage(page, plated ? whitePlate(page.scene) : undefined);
    done += 1;
    if (done % 25 === 0 || done === total) await input.onProgress?.(done, total);
  }
  // For printers that take white as a job of its own: the same plates in black, after all pages, so that a printer
  // that turns sheets by itself still finds fronts and backs in their order.
  if (plated)
    for (const { side, sheetNumber } of printingOrder(plan)) {
      const page = sheetPage(input, side, sheetNumber, IN_A_FILE);
      file.addPage({ ...page, scene: whitePlate(page.scene, '#000000') });
    }
  file.end();
}

export async function sheetsPdf(input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  const file = new PdfFile(`${input.job.brief.title}: sheets`, input);
  const bytes = collect(file.stream);
  await writeSheetsPdf(input, file);
  return [{ name: `${name}-sheets.pdf`, mime: 'application/pdf', bytes: await bytes }];
}

/** One drawing for each printed side; every sheet of a side is alike. */
export async function sheetsDrawn(
  input: ExportInput,
  name: string,
  format: 'svg' | 'png',
): Promise<readonly ExportFile[]> {
  refuseEmpty(input);
  return Promise.all(
    input.plan.sheet.sides.map(async (side): Promise<ExportFile> => {
      const { scene } = sheetPage(input, side, 1);
      const title = `${input.job.brief.title}: ${side}`;
      return format === 'svg'
        ? {
            name: `${name}-sheet-${side}.svg`,
            mime: 'image/svg+xml',
            bytes: Buffer.from(sceneToSvg(scene, title, input)),
          }
        : { name: `${name}-sheet-${side}.png`, mime: 'image/png', bytes: await sceneToPng(scene, title, input) };
    }),
  );
}

/** Each face as its reader sees it, with its bleed. */
export function facePages({ plan }: ExportInput): readonly { readonly id: string; readonly page: Page }[] {
  return plan.art.faces.map((face) => ({
    id: face.face.id,
    page: {
      scene: {
        box: face.bleed,
        symbols: {},
        shapes: [{ kind: 'group', transform: IDENTITY, clip: polygon(face.bleedOutline), children: drawFace(face) }],
      },
      trimBox: { xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm },
      bleedBox: face.bleed,
    },
  }));
}

/** Each printed side of the open blank, as it is seen with that side up, with its bleed. */
export function sidePages({ plan }: ExportInput): readonly { readonly side: PaperSide; readonly page: Page }[] {
  const { widthMm, heightMm } = plan.size.form.blank;
  const trimBox = { xMm: 0, yMm: 0, widthMm, heightMm };
  const box = printedBox(widthMm, heightMm, plan.size.bleedMm);
  return (['outside', 'inside'] as const)
    .filter((side) => hasArt(plan.art, side))
    .map((side) => ({
      side,
      page: {
        scene: {
          box,
          symbols: {},
          // Art inside is drawn through the paper; turned over, it is read.
          shapes: [
            {
              kind: 'group',
              transform: side === 'inside' ? turnedLeftRight(widthMm) : IDENTITY,
              children: drawSide(plan.art, side),
            },
          ],
        },
        trimBox,
        bleedBox: box,
      },
    }));
}
