import type { FormatId } from '../../job/format.ts';
import type { Mm } from '../../ground/length/types.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import type { SizeChoice } from '../../job/types.ts';
import type { Stock } from '../../workshop/types.ts';

/** The card that a ready-cut blank folds to. */
export interface ReadyCard {
  readonly format: FormatId;
  readonly finishedWidthMm: Mm;
  readonly finishedHeightMm: Mm;
}

/** What comes of a blank as it is bought; null for sheets that are to be cut. Its one fold halves it. */
export function readyCard({ readyCut, sheetWidthMm, sheetHeightMm }: Stock): ReadyCard | null {
  if (!readyCut) return null;
  switch (readyCut.fold) {
    case 'none':
      return { format: 'flat', finishedWidthMm: sheetWidthMm, finishedHeightMm: sheetHeightMm };
    case 'side':
      return { format: 'sideFold', finishedWidthMm: sheetWidthMm / 2, finishedHeightMm: sheetHeightMm };
    case 'top':
      return { format: 'tentFold', finishedWidthMm: sheetWidthMm, finishedHeightMm: sheetHeightMm / 2 };
  }
}

/** Whether a job’s card is what its stock folds to; sheets to cut fold to anything. */
export function isAsBought(size: SizeChoice, stock: Stock): boolean {
  const card = readyCard(stock);
  const same = (a: Mm, b: Mm): boolean => Math.abs(a - b) < TOLERANCE_MM;
  return (
    !card ||
    (size.format === card.format &&
      same(size.finishedWidthMm, card.finishedWidthMm) &&
      same(size.finishedHeightMm, card.finishedHeightMm))
  );
}
