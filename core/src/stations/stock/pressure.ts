import type { Coating } from '../../workshop/types.ts';
import type { CreaseChoice } from '../../job/types.ts';
import type { Micron, Mm } from '../../ground/length/types.ts';

export interface Pressing {
  readonly school: 'firm' | 'light';
  readonly passes: number;
  /** The scoring tip's width, from and to. */
  readonly tipMm: readonly [Mm, Mm];
  readonly why: string;
}

/** From this weight, gsm, a bare fold cracks more often than it holds. Our starting value. */
export const SCORE_FROM_GSM = 170;
/** Board above this caliper, µm, wants one pass more, whatever the school. Our starting value. */
const THICK_MICRON = 350;

/**
 * Two schools of pressure: thick matte board cracks when under-pressed, so it is pressed firmly three
 * times; a glossy skin splits under that, so it gets two gentle passes. The coating decides unless the maker does, at
 * Crease. Passes and tip widths, in calipers, are our starting values.
 */
export function pressing(coating: Coating, caliper: Micron, chosen: CreaseChoice['pressure']): Pressing {
  const skin = coating === 'gloss' || coating === 'pearl';
  const school = chosen === 'byCoating' ? (skin ? 'light' : 'firm') : chosen;
  const passes = (school === 'firm' ? 3 : 2) + (caliper > THICK_MICRON ? 1 : 0);
  const caliperMm = caliper / 1000;
  const why =
    chosen !== 'byCoating'
      ? 'as you chose'
      : skin
        ? `a ${coating} skin splits when it is pressed hard`
        : 'bare fibres want a deep, even groove';
  return { school, passes, tipMm: [1.5 * caliperMm, 2 * caliperMm], why };
}
