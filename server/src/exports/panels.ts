import { correctionsInForce, correctPage, drawPanelPage, isOwnPass, whitePlate, type PlateKind } from '@zippy/core';
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
  // Where white goes on in a pass of its own, its pages and the colours’ are files of their own.
  const apart = printed.some(({ print }) => isOwnPass(print!.white));
  const before = printed.some(({ print }) => print!.white === 'before');
  const parts: readonly (PlateKind | 'all')[] = !apart ? ['all'] : before ? ['white', 'colours'] : ['colours', 'white'];
  const total = printed.reduce((n, { sheets, print }) => n + sheets * print!.passes.length, 0);
  let done = 0;
  const files: ExportFile[] = [];
  for (const [i, part] of parts.entries()) {
    const stem = part === 'all' ? `${name}-panels` : `${name}-panels-${i + 1}-${part}`;
    const file = new PdfFile(`${job.brief.title}: panels${part === 'all' ? '' : `, ${part}`}`, input);
    const bytes = collect(file.stream);
    let pages = 0;
    for (const layer of printed) {
      const { passes, white } = layer.print!;
      if (part !== 'all' && !passes.some(({ plate }) => plate === part)) continue;
      const { stock, id } = layer.piece;
      const sheet = { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
      const inForce = correctionsInForce(layer.print!.path, stock.gsm, sheet);
      for (let sheetNumber = 1; sheetNumber <= layer.sheets; sheetNumber += 1) {
        const plate = part === 'all' ? 'colours' : part;
        const label = { title: job.brief.title, date, sheetNumber, plate };
        const drawn = drawPanelPage(layer, plan.art.panels[id]!, label);
        const page = correctPage(
          plate === 'white' ? { ...drawn, scene: whitePlate(drawn.scene, '#000000', { marks: true }) } : drawn,
          inForce,
          'front',
        );
        const under = white === 'inPass' ? whitePlate(page.scene) : undefined;
        if (sheetNumber === 1) await file.prepare(page.scene);
        if (sheetNumber === 1 && under) await file.prepare(under);
        file.addPage(page, under);
        pages += 1;
        done += 1;
        if (done % 25 === 0 || done === total) await onProgress?.(done, total);
      }
    }
    file.end();
    const written = await bytes;
    if (pages > 0) files.push({ name: `${stem}.pdf`, mime: 'application/pdf', bytes: written });
  }
  return files;
}
