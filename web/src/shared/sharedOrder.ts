import {
  isSamePaper,
  OWN_JOB,
  sidesOf,
  uprightGrain,
  type FeedPath,
  type MixedOrder,
  type SharedPiece,
  type Stock,
  type Workshop,
} from '@zippy/core';
import type { SharedChoice } from './useSharedChoice.ts';

export interface ChosenOrder {
  readonly chosen: readonly SharedPiece[];
  readonly stocks: readonly Stock[];
  readonly gutterMm: number;
  readonly order: MixedOrder;
}

/** What pieces can be cut from: a ready-cut card is a piece already. */
export const sharedStocks = ({ stocks }: Workshop): readonly Stock[] => stocks.filter(({ readyCut }) => !readyCut);

/** What is ticked, and the sheets that it may be cut from, as the solver is asked for it. */
export function orderOf(
  all: readonly SharedPiece[],
  choice: SharedChoice,
  path: FeedPath,
  workshop: Workshop,
): ChosenOrder {
  const chosen = all.filter(({ id, jobId }) => jobId === OWN_JOB || choice.counts[id] !== undefined);
  // Sheets that a chosen piece would be cut from anyway are there to begin with.
  const stocks = sharedStocks(workshop).filter(
    (s) =>
      choice.stockIds.includes(s.id) ||
      (choice.stockIds.length === 0 && chosen.some((piece) => piece.stockId === s.id)),
  );
  const bleedMm = Math.max(0, ...chosen.map((piece) => piece.bleedMm));
  const gutterMm = choice.gutterMm ?? 2 * bleedMm;
  const turning = { sides: sidesOf(chosen), flipEdge: choice.flipEdge };
  const order: MixedOrder = {
    sheets: stocks.map((stock) => uprightGrain(stock, path.marginsMm, choice.goal, turning)),
    bleedMm,
    gutterMm,
    pieces: chosen.map(({ id, widthMm, heightMm, mayTurn, stockId, wanted }) => ({
      ...(choice.paper === 'own' ? { sheetIds: papersFor(stockId, stocks, workshop) } : {}),
      id,
      widthMm,
      heightMm,
      mayTurn,
      wanted: choice.counts[id] ?? wanted,
    })),
  };
  return { chosen, stocks, gutterMm, order };
}

/** Offcuts on the shelf of the papers that are cut from, which are not cut from yet. */
export const offcutsBeside = (stocks: readonly Stock[], workshop: Workshop): readonly Stock[] =>
  workshop.stocks.filter(
    (one) =>
      one.offcutOf !== undefined &&
      one.onShelf > 0 &&
      !stocks.some(({ id }) => id === one.id) &&
      stocks.some((other) => isSamePaper(one, other)),
  );

const papersFor = (stockId: string, stocks: readonly Stock[], workshop: Workshop): readonly string[] => {
  const own = workshop.stocks.find((s) => s.id === stockId);
  return stocks.filter((s) => own && isSamePaper(own, s)).map((s) => s.id);
};

/** The solver knows pieces by their ids; makers know them by name. */
export const named = (sentence: string, pieces: readonly SharedPiece[]): string =>
  pieces.reduce((text, { id, name }) => text.replaceAll(`piece ${id} `, `${name} `), sentence);
