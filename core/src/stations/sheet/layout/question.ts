import type { Job } from '../../../job/types.ts';
import type { Stock } from '../../../workshop/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { Cell } from '../../size/cell.ts';
import { foldsUpright } from '../../size/folds.ts';
import type { OpenCard } from '../../size/openCard.ts';
import type { FromEdges } from './edges.ts';
import type { LayOutQuestion } from './layOut.ts';

/** Weight ÷ that of the stock chosen, under which another is another kind of card. Our starting value. */
export const LIGHTEST_SHARE = 0.75;

/**
 * What a job asks of a sheet.
 * @param mayLie ways to lie that are looked at; for a grain that is preferred the caller asks for both
 */
export function ask(
  job: Job,
  size: OpenCard,
  stock: Stock,
  fromEdgesMm: FromEdges,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
  cell: Cell,
  mayLie: LayOutQuestion['mayLie'] = waysFor(job, size, stock)[0]!,
): LayOutQuestion {
  return {
    sheetWidthMm: sheet.widthMm,
    sheetHeightMm: sheet.heightMm,
    fromEdgesMm,
    pieceWidthMm: cell.widthMm,
    pieceHeightMm: cell.heightMm,
    // Each neighbour brings its own bleed, so no art of one shows on the other; where all are of one colour, the
    // bleed of one is the bleed of the other.
    gutterMm: job.sheet.sharedBleed ? size.bleedMm : 2 * size.bleedMm,
    mayLie,
  };
}

export const EITHER_WAY = { asDrawn: true, turned: true } as const;

/**
 * Ways to lie that a job allows, those it would rather have first: a grain that must lie along the folds, one that should
 * where it costs no card, or one that does not matter.
 */
export function waysFor(job: Job, size: OpenCard, stock: Stock): readonly LayOutQuestion['mayLie'][] {
  if (job.sheet.grain === 'ignore') return [EITHER_WAY];
  const along = mayLieForGrain(size, stock);
  return job.sheet.grain === 'respect' ? [along] : [along, EITHER_WAY];
}

/** Whether the fibres of a stock run up and down on its sheet. */
const grainUpright = (stock: Stock): boolean => (stock.grain === 'long') === stock.sheetHeightMm >= stock.sheetWidthMm;

/** Whether the fibres run up and down in a blank as it is drawn, when it lies so on its sheet. */
export const fibresUpright = (stock: Stock, turned: boolean): boolean => grainUpright(stock) !== turned;

/** Ways to lay the blank that run the grain along its folds; either way when nothing is folded. */
export function mayLieForGrain(size: OpenCard, stock: Stock): LayOutQuestion['mayLie'] {
  if (size.form.blank.creases.length === 0) return { asDrawn: true, turned: true };
  const creaseUpright = foldsUpright(size.form);
  return {
    asDrawn: creaseUpright === fibresUpright(stock, false),
    turned: creaseUpright === fibresUpright(stock, true),
  };
}
