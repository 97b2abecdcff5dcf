import { isColoured } from '../art/ink/colourDistance.ts';
import type { FeedPath, Printer, Stock, WhiteWay } from '../../workshop/types.ts';

/** How white is laid on this stock: not at all on pale card, or by a printer that has none. */
export const whiteWayOf = (printer: Printer, path: FeedPath, stock: Stock): WhiteWay | null =>
  printer.printsWhite && isColoured(stock.colour) ? (path.white ?? 'inPass') : null;
