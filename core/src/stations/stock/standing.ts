import type { Mm } from '../../ground/length/types.ts';
import { bendingLengthMm, type Measurable, type StiffnessFrom } from '../../workshop/measuring/measuredStock.ts';
import type { Fibres } from '../../workshop/measuring/types.ts';

/** l³ = 7.8373·D ÷ w for a column fixed at its foot that carries nothing but itself. Source: A. G. Greenhill, 1881. */
const GREENHILL = 7.8373;

/**
 * The height at which a standing sheet buckles under its own weight, millimetres.
 * Derivation: Greenhill's self-buckling column, with D the bending rigidity per width and w the weight per area; since a
 * bending length c is D = w·c³, the height is ∛7.8373 of them, whatever the card weighs.
 * @param fibres the way they run in what stands upright
 */
export function selfBucklingHeightMm(
  stock: Measurable,
  fibres: Fibres,
): { readonly mm: Mm; readonly from: StiffnessFrom } {
  const { mm, from } = bendingLengthMm(stock, fibres);
  return { mm: Math.cbrt(GREENHILL) * mm, from };
}

/** Buckling height ÷ panel height, under and over which a panel is said to flop and to be sturdy. Our starting values. */
export const STANDS = { flopsUnder: 1.3, sturdyOver: 2 } as const;

export type StandWord = 'flops' | 'stands' | 'sturdy';

export function standWord(score: number): StandWord {
  if (score < STANDS.flopsUnder) return 'flops';
  return score > STANDS.sturdyOver ? 'sturdy' : 'stands';
}
