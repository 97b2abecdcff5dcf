import { cutText } from '../job/cutText.ts';
import { formatSize } from '../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../ground/length/types.ts';
import { WORKSHOP_LIMITS } from '../workshop/limits.ts';
import type { Stock } from '../workshop/types.ts';

/**
 * What is left of a sheet, as a stock of its own: of the same card, without a price, its fibres running as they did.
 * @param widthMm along the sheet’s width, heightMm along its height
 */
export function offcutOf(
  { pack: _pack, alsoSoldAs: _packs, id, ...stock }: Stock,
  widthMm: Mm,
  heightMm: Mm,
  unit: LengthUnit,
): Omit<Stock, 'id'> {
  const upright = (stock.grain === 'long') === stock.sheetHeightMm >= stock.sheetWidthMm;
  const { nameLetters } = WORKSHOP_LIMITS;
  const size = `, offcut ${formatSize(widthMm, heightMm, unit)}`;
  return {
    ...stock,
    name: cutText(stock.name, nameLetters - size.length) + size,
    grain: upright === heightMm >= widthMm ? 'long' : 'short',
    ...{
      sheetWidthMm: widthMm,
      sheetHeightMm: heightMm,
      sheetPriceMinor: 0,
      onShelf: 0,
      offcutOf: stock.offcutOf ?? id,
    },
  };
}
