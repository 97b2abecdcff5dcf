import { fixed } from '../../ground/length/rounding.ts';
import { figure, length, money, words } from '../../job/figures.ts';
import type { Figure } from '../../job/findings.ts';
import type { Workshop } from '../../workshop/types.ts';
import { BOUGHT_ENVELOPE, type Packed, type Posted } from './posted.ts';

const grams = (value: number) => words(`${fixed(value, 1)} g`);

/** What a packed piece weighs and measures, and what it costs to post. */
export function postFigures(packed: Packed, posted: Posted | null, { post }: Workshop): readonly Figure[] {
  return [
    figure(
      'packed-weight',
      'Packed, it weighs',
      grams(packed.grams),
      `every piece’s area × its weight; ink is left out, and a bought envelope is taken as ${BOUGHT_ENVELOPE.gsm} g/m²`,
      Object.fromEntries(packed.parts.map((part) => [part.name, grams(part.grams)])),
    ),
    figure(
      'packed-thickness',
      'Packed, it is thick',
      length(packed.thickMm),
      'the shut card + both sides of its envelope',
    ),
    ...(posted
      ? [
          figure(
            'posted',
            `Posted as ${posted.band.name}`,
            money(posted.priceMinor),
            'the cheapest band of your tariff that takes its weight, size and thickness; always ask your local post',
            {
              Band: money(posted.band.priceMinor),
              ...Object.fromEntries(packed.extras.map((extra) => [`For ${extra}`, money(post?.extras[extra] ?? 0)])),
              'Up to': words(`${posted.band.upToGrams} g`),
              'Long side': length(packed.longMm),
              'Short side': length(packed.shortMm),
            },
          ),
        ]
      : []),
  ];
}
