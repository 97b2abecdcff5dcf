import type { Coating, Printer } from '../../../workshop/types.ts';
import type { Colour } from '../../../ground/scene/types.ts';

/**
 * Ink of the four inks together, read off a profile at the crossings of an even lattice of sRGB colours.
 * A total of 1 is one ink laid solid.
 */
export interface InkLattice {
  /** Crossings along each of red, green and blue. */
  readonly steps: number;
  /** steps³ totals, blue quickest and red slowest. */
  readonly totals: readonly number[];
}

/** Channel value, 0 to 255, of a crossing. */
export const latticeValue = (step: number, steps: number): number => Math.round((step * 255) / (steps - 1));

/**
 * Ink that a colour asks for, between the crossings in proportion along each of the three channels.
 * @throws RangeError when the lattice has not the totals that its steps ask for
 */
export function inkTotal(colour: Colour, { steps, totals }: InkLattice): number {
  if (totals.length !== steps ** 3)
    throw new RangeError(`inkTotal: wanted ${steps ** 3} totals for ${steps} steps, got ${totals.length}`);
  const along = [1, 3, 5].map((i) => {
    const at = (parseInt(colour.slice(i, i + 2), 16) / 255) * (steps - 1);
    const from = Math.min(steps - 2, Math.floor(at));
    return { from, part: at - from };
  });
  let sum = 0;
  for (let corner = 0; corner < 8; corner += 1) {
    let [weight, index] = [1, 0];
    along.forEach(({ from, part }, channel) => {
      const far = (corner >> channel) & 1;
      weight *= far ? part : 1 - part;
      index = index * steps + from + far;
    });
    if (weight > 0) sum += weight * totals[index]!;
  }
  return sum;
}

/** What printers and coatings usually bear before ink stays wet or toner cracks; a maker’s own test decides. */
const USUAL_LIMIT: Readonly<Record<Printer['ink'], Readonly<Record<Coating, number>>>> = {
  inkjet: { uncoated: 2.2, textured: 2.2, matte: 2.4, gloss: 2.6, pearl: 2 },
  laser: { uncoated: 2.4, textured: 2.2, matte: 2.5, gloss: 2.5, pearl: 2.2 },
};

/** Most ink in one place: the printer’s own limit for this coating, or the usual one. */
export const inkLimit = ({ ink, inkLimits }: Pick<Printer, 'ink' | 'inkLimits'>, coating: Coating): number =>
  inkLimits?.[coating] ?? USUAL_LIMIT[ink][coating];
