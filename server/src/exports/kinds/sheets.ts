import {
  cardAt,
  correctPage,
  pageAsSent,
  drawSheetPage,
  isOwnPass,
  namesInUse,
  nameSheet,
  rowOfCard,
  whitePlate,
  type Page,
  type Plan,
  type PlateKind,
  type PrintPass,
  type SheetSide,
} from '@zippy/core';
import { ExportRefused, type Draft, type DraftPage, type Exporter, type ExportInput } from '../types.ts';

/** Everything that goes through the printer: pages in their order, a drawing of each, or a table of who is where. */
export const sheets: Exporter<'pdf' | 'svg' | 'png' | 'csv'> = (input, format, name) => {
  if (format === 'csv') return [whoIsWhere(input, name)];
  refuseEmpty(input.plan);
  return format === 'pdf' ? files(input, name) : drawings(input, name);
};

function refuseEmpty({ sheet }: Plan): void {
  if (sheet.up === 0)
    throw new ExportRefused(
      'No card fits on the sheet, so there is no sheet to write: apply one of the remedies at Sheet first.',
    );
  if (sheet.passes.length === 0)
    throw new ExportRefused(
      'Nothing is printed on this job, so there is no sheet to print; its cuts and creases are at Cut and Crease.',
    );
}

/** A page of a run: which ink of which side of which sheet. */
export interface RunPage {
  readonly side: SheetSide;
  readonly sheetNumber: number;
  readonly plate: PlateKind;
}

/** Pages of some passes in the order they go through the printer; of a whole run when none are named. */
export function* printingOrder({ sheet }: Plan, passes: readonly PrintPass[] = sheet.passes): Generator<RunPage> {
  for (const { sides, plate } of passes)
    for (let sheetNumber = 1; sheetNumber <= sheet.sheets; sheetNumber += 1)
      for (const side of sides) yield { side, sheetNumber, plate };
}

function sheetPage(
  { plan, job, date, fonts }: ExportInput,
  { side, sheetNumber, plate }: RunPage,
  { outlines = true, gathered = false } = {},
): Page {
  const named = nameSheet(
    { job, size: plan.size, sheet: plan.sheet, typefaces: fonts.book, sheetNumber },
    { sides: [side === 'front' ? 'outside' : 'inside'], outlines },
  );
  const label = { title: job.brief.title, date, sheetNumber, plate };
  const page = drawSheetPage(plan.size, plan.art, { ...plan.sheet, named }, side, label, { gathered });
  const drawn = plate === 'white' ? { ...page, scene: whitePlate(page.scene, '#000000', { marks: true }) } : page;
  return pageAsSent(correctPage(drawn, plan.sheet.calibration, side), plan.stock.path);
}

/** A file has fonts of its own, and writes once what its pages share. */
const IN_A_FILE = { outlines: false, gathered: true };

function* runPages(input: ExportInput, passes: readonly PrintPass[]): Generator<DraftPage> {
  const plated = input.plan.sheet.white === 'inPass';
  for (const run of printingOrder(input.plan, passes)) {
    const page = sheetPage(input, run, IN_A_FILE);
    // Every sheet of a side carries the same art.
    yield { page, white: plated ? whitePlate(page.scene) : undefined, repeats: run.sheetNumber > 1 };
  }
}

/** One file; or, where white goes on in a pass of its own, a file for each pass, numbered as they are printed. */
function files(input: ExportInput, name: string): readonly Draft[] {
  const { passes, white, sheets: count } = input.plan.sheet;
  const titled = (what: string): string => `${input.job.brief.title}: ${what}`;
  const total = passes.reduce((n, { sides }) => n + count * sides.length, 0);
  if (!isOwnPass(white))
    return [{ kind: 'pages', stem: `${name}-sheets`, title: titled('sheets'), pages: runPages(input, passes), total }];
  return passes.map((pass, i) => ({
    kind: 'pages',
    stem: `${name}-sheets-${i + 1}-${pass.plate}-${pass.sides.join('-')}`,
    title: titled(`sheets, ${i + 1} of ${passes.length}: ${pass.plate}, ${pass.sides.join(' and ')}`),
    pages: runPages(input, [pass]),
    total,
  }));
}

/** A drawing for every page that is printed; sheets of a side that are all alike are drawn once. */
function* drawings(input: ExportInput, name: string): Generator<Draft> {
  const { sheet } = input.plan;
  const differ = sheet.named !== null && sheet.sheets > 1;
  for (const run of printingOrder(input.plan)) {
    if (!differ && run.sheetNumber > 1) continue;
    const { scene } = sheetPage(input, run);
    const ink = run.plate === 'white' || isOwnPass(sheet.white) ? `-${run.plate}` : '';
    const number = differ ? `-${String(run.sheetNumber).padStart(String(sheet.sheets).length, '0')}` : '';
    const stem = `${name}-sheet-${run.side}${ink}${number}`;
    const title = `${input.job.brief.title}: ${run.side}${differ ? `, sheet ${run.sheetNumber}` : ''}`;
    yield { kind: 'drawing', stem, title, scene };
    // White that goes on in the same pass is no colour of a drawing: it is a second one.
    if (sheet.white === 'inPass')
      yield {
        ...{ kind: 'drawing', stem: `${stem}-white`, title: `${title}, white` },
        scene: whitePlate(scene, '#000000'),
      };
  }
}

/** Which name is printed where: one row for every place of every sheet, in the order they are printed. */
function whoIsWhere({ job, plan }: ExportInput, name: string): Draft {
  const names = namesInUse(job);
  if (!names)
    throw new ExportRefused('No words on the card come from a list, so there is no table of who is on which sheet.');
  const { sheets: count, placements } = plan.sheet;
  const rows = Array.from({ length: count }, (_, i) => i + 1).flatMap((sheetNumber) =>
    placements.map((_, place): readonly (string | number)[] => {
      const card = cardAt(place, sheetNumber, count);
      const row = rowOfCard(names, card);
      return [sheetNumber, place + 1, row === null ? '' : card + 1, ...(row === null ? [] : names.rows[row]!)];
    }),
  );
  return {
    kind: 'table',
    stem: `${name}-names-on-sheets`,
    columns: ['sheet', 'place', 'card', ...names.columns],
    rows,
  };
}
