import {
  correctPage,
  drawFace,
  isOwnPass,
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
  type PlateKind,
  type PrintPass,
  type Scene,
  type Plan,
  type SheetSide,
} from '@zippy/core';
import { PdfFile } from './pdfDocument.ts';
import { collect } from './collect.ts';
import { sceneToPng, sceneToSvg } from './scenes.ts';
import { ExportRefused, type ExportFile, type ExportInput } from './types.ts';

/** A page of a run: which ink of which side of which sheet. */
export interface RunPage {
  readonly side: SheetSide;
  readonly sheetNumber: number;
  readonly plate: PlateKind;
}

/** Pages of one pass in the order they go through the printer. */
function* pagesOf({ sheet }: Plan, { sides, plate }: PrintPass): Generator<RunPage> {
  for (let sheetNumber = 1; sheetNumber <= sheet.sheets; sheetNumber += 1)
    for (const side of sides) yield { side, sheetNumber, plate };
}

/** Pages of a whole run in the order they go through the printer. */
export function* printingOrder(plan: Plan): Generator<RunPage> {
  for (const pass of plan.sheet.passes) yield* pagesOf(plan, pass);
}

export function sheetPage(
  { plan, job, date, fonts }: ExportInput,
  { side, sheetNumber, plate }: RunPage,
  { outlines = true, gathered = false } = {},
): Page {
  const sheet = {
    ...plan.sheet,
    named: nameSheet(
      { job, size: plan.size, sheet: plan.sheet, typefaces: fonts.book, sheetNumber },
      { sides: [side === 'front' ? 'outside' : 'inside'], outlines },
    ),
  };
  const label = { title: job.brief.title, date, sheetNumber, plate };
  const page = drawSheetPage(plan.size, plan.art, sheet, side, label, { gathered });
  const drawn = plate === 'white' ? { ...page, scene: whitePlate(page.scene, '#000000', { marks: true }) } : page;
  return correctPage(drawn, plan.sheet.calibration, side);
}

function refuseEmpty({ plan }: ExportInput): void {
  if (plan.sheet.up === 0)
    throw new ExportRefused(
      'No card fits on the sheet, so there is no sheet to write: apply one of the remedies at Sheet first.',
    );
  if (plan.sheet.passes.length === 0)
    throw new ExportRefused(
      'Nothing is printed on this job, so there is no sheet to print; its cuts and creases are at Cut and Crease.',
    );
}

/** A file has fonts of its own, and writes once what its pages share. */
const IN_A_FILE = { outlines: false, gathered: true };

/** Writes the pages of some passes, one after the other, into a file. */
export async function writeSheetsPdf(
  input: ExportInput,
  file: PdfFile,
  passes: readonly PrintPass[] = input.plan.sheet.passes,
): Promise<void> {
  refuseEmpty(input);
  const { plan } = input;
  const total = passes.reduce((n, { sides }) => n + plan.sheet.sheets * sides.length, 0);
  let done = 0;
  const plated = plan.sheet.white === 'inPass';
  for (const pass of passes)
    for (const run of pagesOf(plan, pass)) {
      const page = sheetPage(input, run, IN_A_FILE);
      const white = plated ? whitePlate(page.scene) : undefined;
      // Every sheet of a side carries the same art.
      if (run.sheetNumber === 1) await file.prepare(page.scene);
      if (run.sheetNumber === 1 && white) await file.prepare(white);
      file.addPage(page, white);
      done += 1;
      if (done % 25 === 0 || done === total) await input.onProgress?.(done, total);
    }
  file.end();
}

/** One file; or, where white goes on in a pass of its own, a file for each pass, numbered as they are printed. */
export async function sheetsPdf(input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  refuseEmpty(input);
  const { passes, white } = input.plan.sheet;
  const parts = isOwnPass(white)
    ? passes.map((pass, i) => ({
        passes: [pass],
        name: `${name}-sheets-${i + 1}-${pass.plate}-${pass.sides.join('-')}`,
        title: `sheets, ${i + 1} of ${passes.length}: ${pass.plate}, ${pass.sides.join(' and ')}`,
      }))
    : [{ passes, name: `${name}-sheets`, title: 'sheets' }];
  const files: ExportFile[] = [];
  for (const part of parts) {
    const file = new PdfFile(`${input.job.brief.title}: ${part.title}`, input);
    const bytes = collect(file.stream);
    await writeSheetsPdf(input, file, part.passes);
    files.push({ name: `${part.name}.pdf`, mime: 'application/pdf', bytes: await bytes });
  }
  return files;
}

/** A drawing for every page that is printed; sheets of a side that are all alike are drawn once. */
export async function sheetsDrawn(
  input: ExportInput,
  name: string,
  format: 'svg' | 'png',
): Promise<readonly ExportFile[]> {
  refuseEmpty(input);
  const { sheet } = input.plan;
  const differ = sheet.named !== null && sheet.sheets > 1;
  const files: ExportFile[] = [];
  for (const run of printingOrder(input.plan)) {
    if (!differ && run.sheetNumber > 1) continue;
    const { scene } = sheetPage(input, run);
    const ink = run.plate === 'white' || isOwnPass(sheet.white) ? `-${run.plate}` : '';
    const number = differ ? `-${String(run.sheetNumber).padStart(String(sheet.sheets).length, '0')}` : '';
    const stem = `${name}-sheet-${run.side}${ink}${number}`;
    const title = `${input.job.brief.title}: ${run.side}${differ ? `, sheet ${run.sheetNumber}` : ''}`;
    files.push(await drawnFile(scene, stem, title, format, input));
    // White that goes on in the same pass is no colour of a drawing: it is a second one.
    if (sheet.white === 'inPass')
      files.push(await drawnFile(whitePlate(scene, '#000000'), `${stem}-white`, `${title}, white`, format, input));
  }
  return files;
}

/** A scene as a drawing or as pixels. */
export async function drawnFile(
  scene: Scene,
  stem: string,
  title: string,
  format: 'svg' | 'png',
  input: Pick<ExportInput, 'pictures' | 'fonts'>,
): Promise<ExportFile> {
  return format === 'svg'
    ? { name: `${stem}.svg`, mime: 'image/svg+xml', bytes: Buffer.from(sceneToSvg(scene, title, input)) }
    : { name: `${stem}.png`, mime: 'image/png', bytes: await sceneToPng(scene, title, input) };
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
