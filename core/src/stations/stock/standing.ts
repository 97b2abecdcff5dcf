import type { Gsm, Micron, Mm } from '../../ground/length/types.ts';

/**
 * Young’s modulus of cardstock along and across the grain, pascals. Our starting value, for card that nobody has measured:
 * board is made about twice as stiff along the machine as across it.
 */
const STIFFNESS_PA = { along: 3.5e9, across: 1.75e9 } as const;
/** Metres per second squared. Source: the third CGPM’s standard value, 9.80665, to three figures. */
const GRAVITY = 9.81;

/**
 * The height at which a standing sheet buckles under its own weight, millimetres.
 * Derivation: Greenhill's self-buckling column, l³ = 7.8373·E·I / (q), with I = b·t³/12 and weight
 * per length q = b·G·g for a strip of width b. Source: A. G. Greenhill, 1881.
 */
export function selfBucklingHeightMm(caliper: Micron, gsm: Gsm, grain: keyof typeof STIFFNESS_PA): Mm {
  const thicknessM = caliper * 1e-6;
  const areaKgM2 = gsm / 1000;
  return 1000 * Math.cbrt((7.8373 * STIFFNESS_PA[grain] * thicknessM ** 3) / (12 * areaKgM2 * GRAVITY));
}

/** Buckling height ÷ panel height, under and over which a panel is said to flop and to be sturdy. Our starting values. */
export const STANDS = { flopsUnder: 1.3, sturdyOver: 2 } as const;

export type StandWord = 'flops' | 'stands' | 'sturdy';

export function standWord(score: number): StandWord {
  if (score < STANDS.flopsUnder) return 'flops';
  return score > STANDS.sturdyOver ? 'sturdy' : 'stands';
}
