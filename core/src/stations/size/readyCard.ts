import { decideEach, type JobChange } from '../../job/decide.ts';
import type { FormatId, FormatOptions } from '../../job/format.ts';
import type { Mm } from '../../ground/length/types.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import type { SizeChoice } from '../../job/types.ts';
import type { Stock } from '../../workshop/types.ts';

/** The card that a ready-cut blank folds to. */
export interface ReadyCard {
  readonly format: FormatId;
  readonly finishedWidthMm: Mm;
  readonly finishedHeightMm: Mm;
  /** How much shorter its front is than its back; nothing for a card without a fold. */
  readonly options: Pick<Partial<FormatOptions>, 'shortFrontMm'>;
}

/** What comes of a blank as it is bought; null for sheets that are to be cut. Its one fold halves it, or leaves a short front. */
export function readyCard({ readyCut, sheetWidthMm, sheetHeightMm }: Stock): ReadyCard | null {
  if (!readyCut) return null;
  const { fold, frontMm } = readyCut;
  if (fold === 'none')
    return { format: 'flat', finishedWidthMm: sheetWidthMm, finishedHeightMm: sheetHeightMm, options: {} };
  const openedMm = fold === 'side' ? sheetWidthMm : sheetHeightMm;
  const shorter = frontMm === undefined ? openedMm / 2 : Math.min(frontMm, openedMm - frontMm);
  const longer = openedMm - shorter;
  const options = { shortFrontMm: longer - shorter };
  return fold === 'side'
    ? { format: 'sideFold', finishedWidthMm: longer, finishedHeightMm: sheetHeightMm, options }
    : { format: 'tentFold', finishedWidthMm: sheetWidthMm, finishedHeightMm: longer, options };
}

/** Whether a job’s card is what its stock folds to; sheets to cut fold to anything. */
export function isAsBought(size: SizeChoice, stock: Stock): boolean {
  const card = readyCard(stock);
  const same = (a: Mm, b: Mm): boolean => Math.abs(a - b) < TOLERANCE_MM;
  return (
    !card ||
    (size.format === card.format &&
      same(size.finishedWidthMm, card.finishedWidthMm) &&
      same(size.finishedHeightMm, card.finishedHeightMm) &&
      (card.format === 'flat' || same(size.options.shortFrontMm ?? 0, card.options.shortFrontMm ?? 0)))
  );
}

/** Decisions that make a job’s card what its stock folds to. */
export const asTheBlankIs = ({ options, ...card }: ReadyCard): readonly JobChange[] => [
  ...decideEach((job) => job.size, card),
  ...decideEach((job) => job.size.options, options),
];
