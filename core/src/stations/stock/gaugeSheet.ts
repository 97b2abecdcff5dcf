import type { GaugeSheet } from '../../workshop/measuring/drawGauge.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import { pathRefusals } from './planStock.ts';

/** Where no path takes it, or all reach the edge. Our starting value. */
const LEAST_MARGIN_MM = 8;

/** A sheet of a stock to print strips and gauge on, clear of what any way that takes it leaves white. */
export function gaugeSheet(stock: Stock, workshop: Workshop): GaugeSheet {
  const margins = workshop.printers
    .flatMap(({ paths }) => paths)
    .filter((path) => pathRefusals(path, stock, workshop).length === 0)
    .flatMap(({ marginsMm: { top, right, bottom, left } }) => [top, right, bottom, left]);
  return {
    ...{ widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm, grain: stock.grain, about: stock.name },
    marginMm: Math.max(LEAST_MARGIN_MM, ...margins),
  };
}
