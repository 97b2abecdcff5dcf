import type { Sides } from '../geometry/types.ts';
import type { Job, Stock } from '../job/types.ts';
import type { Mm } from '../length/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { LayOutQuestion } from './layOut.ts';

/** What a job asks of a sheet. */
export function ask(
  job: Job,
  size: SizePlan,
  stock: Stock,
  marginsMm: Sides,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
): LayOutQuestion {
  return {
    sheetWidthMm: sheet.widthMm,
    sheetHeightMm: sheet.heightMm,
    marginsMm,
    pieceWidthMm: size.form.blank.widthMm,
    pieceHeightMm: size.form.blank.heightMm,
    bleedMm: size.bleedMm,
    // Each neighbour brings its own bleed, so no art of one shows on the other.
    gutterMm: 2 * size.bleedMm,
    mayLie: job.sheet.grain === 'respect' ? mayLieForGrain(size, stock) : { asDrawn: true, turned: true },
  };
}

/** Ways to lay the blank that run the grain along its folds; either way when nothing is folded. */
export function mayLieForGrain(size: SizePlan, stock: Stock): LayOutQuestion['mayLie'] {
  const [crease] = size.form.blank.creases;
  if (!crease) return { asDrawn: true, turned: true };
  const creaseUpright = crease.from.xMm === crease.to.xMm;
  const longUpright = stock.sheetHeightMm >= stock.sheetWidthMm;
  const grainUpright = (stock.grain === 'long') === longUpright;
  return { asDrawn: creaseUpright === grainUpright, turned: creaseUpright !== grainUpright };
}
