import { formatSize, sheetName, type LengthUnit, type Stock } from '@zippy/core';

/** Stocks that lie on one shelf since their sheets are of one size; the fullest shelf first, small sheets before large. */
export function bySheet(
  stocks: readonly Stock[],
  unit: LengthUnit,
): readonly { readonly heading: string; readonly stocks: readonly Stock[] }[] {
  const shelves = new Map<string, Stock[]>();
  const area = ({ sheetWidthMm, sheetHeightMm }: Stock): number => sheetWidthMm * sheetHeightMm;
  for (const stock of [...stocks].sort((a, b) => area(a) - area(b))) {
    const heading = headingOf(stock, unit);
    shelves.set(heading, [...(shelves.get(heading) ?? []), stock]);
  }
  return [...shelves]
    .map(([heading, own]) => ({ heading, stocks: own }))
    .sort((a, b) => b.stocks.length - a.stocks.length);
}

function headingOf({ sheetWidthMm, sheetHeightMm, readyCut }: Stock, unit: LengthUnit): string {
  if (readyCut) return 'Ready-cut cards';
  const narrow = Math.min(sheetWidthMm, sheetHeightMm);
  const long = Math.max(sheetWidthMm, sheetHeightMm);
  const name = sheetName(narrow, long);
  const size = formatSize(narrow, long, unit);
  return name ? `${name[0]!.toUpperCase()}${name.slice(1)}, ${size}` : size;
}
