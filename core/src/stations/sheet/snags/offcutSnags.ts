import { decide } from '../../../job/decide.ts';
import type { Remedy, Snag } from '../../../job/findings.ts';
import { pathRefusals, type StockFacts } from '../../stock/planStock.ts';
import { tryOut } from '../layout/tryOut.ts';
import type { Asked } from './asked.ts';

/** As many offcuts are tried, the smallest first: a maker keeps the larger ones for what needs them. */
const TRIED = 3;

/** Offcuts of the stock at hand from which all cards come: they are used before a whole sheet is cut. */
export function offcutSnags(
  { job, workshop, ink }: Asked,
  { stock, path }: Pick<StockFacts, 'stock' | 'path'>,
  cards: number,
): readonly Snag[] {
  const offcuts = workshop.stocks
    .filter(({ offcutOf, onShelf }) => offcutOf === stock.id && onShelf > 0)
    .filter((one) => pathRefusals(path, one, workshop).length === 0)
    .sort((a, b) => a.sheetWidthMm * a.sheetHeightMm - b.sheetWidthMm * b.sheetHeightMm)
    .slice(0, TRIED);
  const remedies = offcuts.flatMap((one): readonly Remedy[] => {
    const changes = [decide((job) => job.stock.stockId, one.id)];
    const { comesOut } = tryOut(job, workshop, ink, changes);
    const takes = comesOut > 0 ? Math.ceil(cards / comesOut) : Infinity;
    return takes <= one.onShelf
      ? [{ label: `Use ${takes} of ${one.onShelf} ${one.name}: ${comesOut} up`, changes }]
      : [];
  });
  if (remedies.length === 0) return [];
  return [
    {
      id: 'sheet-offcuts',
      station: 'sheet',
      level: 'note',
      title: 'Offcuts on the shelf are large enough',
      why: `All ${cards} cards come out of what is left of ${stock.name}, and no whole sheet is cut.`,
      remedies,
    },
  ];
}
