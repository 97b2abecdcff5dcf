import { correctionsInForce, correctPage, drawPanelPage } from '@zippy/core';
import { collect } from './collect.ts';
import { PdfFile } from './pdfDocument.ts';
import { ExportRefused, type ExportFile, type ExportInput } from './types.ts';

/** Every sheet of every printed layer, corrected by the calibration of the path and stock that it goes through. */
export async function panelsPdf(input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  const { job, plan, date, onProgress } = input;
  const printed = plan.sheet.layers.filter(({ print, up }) => print && up > 0);
  if (printed.length === 0)
    throw new ExportRefused(
      'No mat or panel carries a picture that fits on a sheet: put one on at Art, under “Panels from a page”, first.',
    );
  const file = new PdfFile(`${job.brief.title}: panels`, input);
  const bytes = collect(file.stream);
  const total = printed.reduce((n, { sheets }) => n + sheets, 0);
  let done = 0;
  for (const layer of printed) {
    const { stock, id } = layer.piece;
    const sheet = { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
    const inForce = correctionsInForce(layer.print!.path, stock.gsm, sheet, job.sheet.flipEdge);
    for (let sheetNumber = 1; sheetNumber <= layer.sheets; sheetNumber += 1) {
      const page = drawPanelPage(layer, plan.art.panels[id]!, { title: job.brief.title, date, sheetNumber });
      if (sheetNumber === 1) await file.prepare(page.scene);
      file.addPage(correctPage(page, inForce, 'front'));
      done += 1;
      if (done % 25 === 0 || done === total) await onProgress?.(done, total);
    }
  }
  file.end();
  return [{ name: `${name}-panels.pdf`, mime: 'application/pdf', bytes: await bytes }];
}
