import type { TrimmingKind } from '../../workshop/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { LUMPY_MM, type Packed } from './posted.ts';

/** What is hard enough to scratch what it rubs on. */
const HARD: ReadonlySet<TrimmingKind> = new Set(['brad', 'charm', 'gem', 'button', 'magnet']);

const listed = (names: readonly string[]): string =>
  names.length === 1 ? names[0]! : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

/**
 * How this piece goes into its envelope and what it wants there: which way it lies, what presses through, what rubs. What
 * machines and tariffs take is the local post’s to say.
 * @param isPrinted ink or toner lies on the card
 */
export function postAdvice({
  size,
  stock,
  packed,
  isPrinted,
}: {
  readonly size: Pick<SizePlan, 'form' | 'trimmings' | 'ribbon' | 'layers'>;
  readonly stock: Pick<StockPlan, 'stock' | 'printer'>;
  readonly packed: Pick<Packed, 'extras'>;
  readonly isPrinted: boolean;
}): readonly string[] {
  const { trimmings, ribbon, layers } = size;
  const names = (has: (one: (typeof trimmings.placed)[number]) => boolean): readonly string[] => [
    ...new Set(trimmings.placed.filter(has).map(({ trimming }) => trimming.name.toLowerCase())),
  ];
  const outside = (one: (typeof trimmings.placed)[number]): boolean => one.side === 'outside';
  const high = [
    ...names((one) => outside(one) && one.standsMm > LUMPY_MM),
    ...(ribbon && ribbon.addedMm > LUMPY_MM ? ['the knot'] : []),
  ];
  const hard = names((one) => outside(one) && HARD.has(one.trimming.kind));
  const glossy = stock.stock.coating === 'gloss' || stock.stock.coating === 'pearl';
  const shines = layers.some(({ foil }) => foil !== null);
  return [
    size.form.blank.creases.length > 0
      ? 'Put it in with its fold at the foot and its front towards the flap: nothing catches at the opening, and a knife that opens the envelope meets no card.'
      : 'Put it in with its front towards the flap.',
    ...(high.length > 0
      ? [
          `Lay thin foam or tissue over ${listed(high)}, and a piece of card the size of the envelope on that: what stands out presses through where letters are sorted.`,
        ]
      : []),
    ...(hard.length > 0 ? [`Fold tissue round it so that ${listed(hard)} cannot rub on what lies on it.`] : []),
    ...(isPrinted && (glossy || stock.printer.ink === 'laser' || shines)
      ? [
          shines
            ? 'Foil scratches and toner rubs: lay plain paper over what is printed.'
            : `What is printed on ${glossy ? 'a glossy card' : 'it with toner'} rubs off on what lies on it: lay plain paper between.`,
        ]
      : []),
    ...(packed.extras.length > 0
      ? [`It is ${listed(packed.extras)}, which posts often charge more for: ask your local post.`]
      : ['What machines take differs: ask your local post.']),
  ];
}
