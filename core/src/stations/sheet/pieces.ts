import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import type { FlatBlank } from '../../ground/fold/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Minor } from '../../ground/money.ts';
import type { Printer, Stock } from '../../workshop/types.ts';
import type { PrintPass } from './layout/passes.ts';

/** What a piece is to its job. */
export type PieceRole = 'card' | 'layer' | 'envelope' | 'liner';

/** One kind of piece of a job on sheets of its own stock: all that is cut, printed, counted and paid for. */
export interface PieceOnSheets {
  /** Within its job. */
  readonly id: string;
  readonly name: string;
  readonly role: PieceRole;
  readonly blank: FlatBlank;
  readonly bleedMm: Mm;
  readonly stock: Stock;
  /** How many of it are made, spares with them. */
  readonly made: number;
  /** From one sheet; none where it does not fit, and then there are no sheets. */
  readonly up: number;
  readonly sheets: number;
  /** What prints it and how often each sheet goes through; null for bare stock. */
  readonly print: { readonly printer: Printer; readonly passes: readonly PrintPass[] } | null;
}

/** As many sheets as `made` pieces take, `up` from each. */
export const sheetsFor = (made: number, up: number): number => (up === 0 ? 0 : Math.ceil(made / up));

/** Sides of all its sheets that go through the printer; a white plate and the colours over it are two. */
export const sidesPrinted = ({ sheets, print }: Pick<PieceOnSheets, 'sheets' | 'print'>): number =>
  sheets * (print?.passes.reduce((n, { sides }) => n + sides.length, 0) ?? 0);

/** Its sheets, as they are bought; a pack’s share need not come to whole minor units. */
export const stockCostMinor = ({ sheets, stock }: Pick<PieceOnSheets, 'sheets' | 'stock'>): number =>
  sheets * sheetPriceOf(stock);

/** Everything that goes through a printer, white plates too. */
export const printCostMinor = (piece: Pick<PieceOnSheets, 'sheets' | 'print'>): Minor =>
  sidesPrinted(piece) * (piece.print?.printer.sidePriceMinor ?? 0);
