import { plural } from '../../job/figures.ts';
import { heatToolFor } from '../../workshop/tools.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { CAUTIONS } from './cautions.ts';
import { panelSheets } from './layerSteps.ts';
import type { MakeStep } from './types.ts';

const foiled = (sheet: SheetPlan): SheetPlan['layers'] => panelSheets(sheet).filter(({ piece }) => piece.foil);

/** Foil is laid as soon as its toner is on the sheet: it would hold to the toner of anything printed in between. */
export const foilSteps = (sheet: SheetPlan, workshop: Workshop): readonly MakeStep[] =>
  foiled(sheet).map(({ piece, sheets }) => ({
    id: `foil-${piece.id}`,
    kind: 'foil',
    pieceId: piece.id,
    title: `Lay the foil: ${piece.name.toLowerCase()}`,
    big: `${sheets} ${plural(sheets, 'sheet')}`,
    detail: `${piece.foil!.name}, its coloured side up, over everything black; no finger on the toner. ${sayHeat(workshop, piece.stock)}; let it cool, then peel it back flat. Foil comes before any colour, since it holds to every toner that is on the sheet. Try one sheet before the rest.`,
    caution: CAUTIONS.heat,
    waitMinutes: null,
  }));

/** Laid, passed through and peeled: about what a printed side takes. Our starting value, by the maker’s own pace of that. */
export const foilMinutes = (sheet: SheetPlan, pace: Workshop['pace']): number =>
  foiled(sheet).reduce((n, { sheets }) => n + sheets * pace.perPrintedSide, 0);

/** What presses it on: what on the bench takes the sheet, or either kind where nothing there does. */
function sayHeat(workshop: Workshop, stock: Stock): string {
  const { sheetWidthMm: widthMm, sheetHeightMm: heightMm, caliperMicron } = stock;
  const tool = heatToolFor(workshop, { widthMm, heightMm, caliperMicron });
  if (!tool) return 'Through the laminator in a carrier, or under the press';
  return tool.kind === 'laminator' ? `Through ${tool.name} in a carrier` : `Under ${tool.name}`;
}
