import {
  correctionsInForce,
  correctPage,
  pageAsSent,
  drawPanelPage,
  sidesPrinted,
  isOwnPass,
  whitePlate,
  type LayerSheet,
  type PlateKind,
} from '@zippy/core';
import { plateOfPage } from '../plateOfPage.ts';
import { ExportRefused, type Draft, type DraftPage, type Exporter, type ExportInput } from '../types.ts';

/** Every sheet of every printed layer, corrected by the calibration of the path and stock that it goes through. */
export const panels: Exporter<'pdf'> = (input, _, name): readonly Draft[] => {
  const { job, plan } = input;
  const printed = plan.sheet.layers.filter(({ print, up }) => print && up > 0);
  if (printed.length === 0)
    throw new ExportRefused(
      'No mat or panel carries a picture that fits on a sheet: put one on at Art, under “Panels from a page”, first.',
    );
  // What goes on in a pass of its own, white or the toner of a foil, has a file of its own.
  const apart = printed.some(({ print }) => isOwnPass(print!.white));
  const before = printed.some(({ print }) => print!.white === 'before');
  const plates: readonly PlateKind[] = !apart ? ['colours'] : before ? ['white', 'colours'] : ['colours', 'white'];
  const parts = (['foil', ...plates] as const).filter((part) =>
    printed.some(({ print }) => print!.passes.some(({ plate }) => plate === part)),
  );
  const total = printed.reduce((n, piece) => n + sidesPrinted(piece), 0);
  return parts.map((part, i): Draft => {
    const own = printed.filter(({ print }) => print!.passes.some(({ plate }) => plate === part));
    return {
      kind: 'pages',
      stem: parts.length === 1 && part === 'colours' ? `${name}-panels` : `${name}-panels-${i + 1}-${part}`,
      title: `${job.brief.title}: panels${parts.length === 1 && part === 'colours' ? '' : `, ${part}`}`,
      pages: panelPages(input, own, part),
      total,
    };
  });
};

function* panelPages(
  { job, plan, date }: ExportInput,
  layers: readonly LayerSheet[],
  plate: PlateKind,
): Generator<DraftPage> {
  for (const layer of layers) {
    const { stock, id } = layer.piece;
    const sheet = { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
    const inForce = correctionsInForce(layer.print!.path, stock.gsm, sheet);
    // A pass of one side is a stack of it; where the printer turns sheets by itself their sides come in turn.
    for (const { sides } of layer.print!.passes.filter((pass) => pass.plate === plate))
      for (let sheetNumber = 1; sheetNumber <= layer.sheets; sheetNumber += 1)
        for (const side of sides) {
          const label = { title: job.brief.title, date, sheetNumber, plate };
          const drawn = drawPanelPage(layer, plan.art.panels[id]!, label, side);
          const plated = { ...drawn, scene: plateOfPage(drawn.scene, plate) };
          const page = pageAsSent(correctPage(plated, inForce, side), layer.print!.path);
          const under = layer.print!.white === 'inPass' ? whitePlate(page.scene) : undefined;
          yield { page, white: under, repeats: sheetNumber > 1 };
        }
  }
}
