import { formatSize } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { count, figure, length, words } from '../../job/figures.ts';
import type { Figure } from '../../job/findings.ts';
import type { Stock } from '../../workshop/types.ts';
import type { EnvelopeBlank } from './build/types.ts';
import type { Contents } from './measures.ts';
import type { LinerPlan } from './planLiner.ts';
import type { EnvelopeMeasures, EnvelopeStyle } from './styles/types.ts';

/** Of an envelope that was bought: what a ruler finds. */
export const readyFigures = (
  { insideWidthMm, insideHeightMm }: EnvelopeMeasures,
  unit: LengthUnit,
): readonly Figure[] => [
  figure(
    'envelope-inside',
    'Inside',
    words(formatSize(insideWidthMm, insideHeightMm, unit)),
    'as it was measured, its opening on top',
  ),
];

/** Of one that is made, or would be: its inside, its blank, how many come from a sheet. */
export function blankFigures(
  of: {
    readonly style: EnvelopeStyle;
    readonly measures: EnvelopeMeasures;
    readonly card: Contents;
    readonly easeMm: Mm;
    readonly blank: EnvelopeBlank;
    readonly stock: Stock;
    readonly up: number;
  },
  unit: LengthUnit,
): readonly Figure[] {
  const { style, measures, card, easeMm, blank, stock, up } = of;
  return [
    figure(
      'envelope-inside',
      'Inside',
      words(formatSize(measures.insideWidthMm, measures.insideHeightMm, unit)),
      style.walls
        ? 'card + ease, both ways; its thickness is between the walls'
        : 'card + its thickness + ease, both ways',
      {
        'Card, across': length(card.widthMm),
        'Card, upright': length(card.heightMm),
        Thickness: length(card.thicknessMm),
        Ease: length(easeMm),
        ...(style.walls ? { 'Between the walls': length(measures.depthMm) } : {}),
      },
    ),
    figure('envelope-blank', 'Blank', words(formatSize(blank.widthMm, blank.heightMm, unit)), style.working, {
      Seam: length(measures.seamMm),
      Flap: length(measures.flapMm),
      ...(style.asks.includes('throatMm') ? { Throat: length(measures.throatMm) } : {}),
      ...(style.walls ? { Wall: length(measures.depthMm) } : {}),
    }),
    figure('envelope-up', 'On a sheet', count(up), 'blanks side by side inside the margins', {
      Sheet: words(formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)),
    }),
  ];
}

export const linerFigures = (
  { blank, up }: Pick<LinerPlan, 'blank' | 'up'>,
  { insetMm, flapMm }: { readonly insetMm: Mm; readonly flapMm: Mm },
  unit: LengthUnit,
): readonly Figure[] => [
  figure(
    'envelope-liner',
    'Liner',
    words(formatSize(blank.widthMm, blank.heightMm, unit)),
    'the front and the flap, in from the edges and short of the gum',
    { 'In from the edges': length(insetMm), Flap: length(flapMm), 'On a sheet': count(up) },
  ),
];
