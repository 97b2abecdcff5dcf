import type { Gsm, Micron, Mm } from '../../ground/length/types.ts';
import type { Stock } from '../types.ts';
import { SHARE_OF } from './droop.ts';
import type { Fibres, Measurings, OverhangReading } from './types.ts';

/** A mean of readings and how far they stray from it, one standard deviation; null of a single one. */
export interface Found {
  readonly mean: number;
  readonly spread: number | null;
  readonly readings: number;
}

/** How card bends one way. */
export interface Bending {
  /** The length at which a strip’s own weight and its stiffness are even: D = w·c³. */
  readonly lengthMm: Found;
  /** Bending rigidity for each metre of width, newton metres. */
  readonly rigidityNm: number;
  /** Standard deviation of that, by the spread of the readings; null of a single one. */
  readonly rigiditySpreadNm: number | null;
  /** Young’s modulus of an even sheet as thick that bends as this does, pascals. */
  readonly modulusPa: number;
}

export interface MeasuredStock {
  readonly caliperMicron: Found | null;
  readonly gsm: Found | null;
  readonly along: Bending | null;
  readonly across: Bending | null;
}

export const NO_MEASURINGS: Measurings = { stacks: [], weights: [], overhangs: [] };

/** Metres per second squared. Source: the third CGPM’s standard value, 9.80665, to three figures. */
export const GRAVITY = 9.81;

/**
 * Young’s modulus of cardstock along and across the grain, pascals. Our starting value, for card that nobody has measured:
 * board is made about twice as stiff along the machine as across it.
 */
export const STARTING_MODULUS_PA: Readonly<Record<Fibres, number>> = { along: 3.5e9, across: 1.75e9 };

/** What readings of a stock come to; weight and thickness as measured where they were, else as the label says. */
export function measuredStock({ gsm, caliperMicron, measured = NO_MEASURINGS }: Measurable): MeasuredStock {
  const thick = found(measured.stacks.map(({ sheets, heightMm }) => (1000 * heightMm) / sheets));
  const heavy = found(
    measured.weights.map(({ sheets, widthMm, heightMm, grams }) => (grams * 1e6) / (sheets * widthMm * heightMm)),
  );
  const paper = { gsm: heavy?.mean ?? gsm, caliperMicron: thick?.mean ?? caliperMicron };
  const way = (fibres: Fibres): Bending | null =>
    bending(
      measured.overhangs.filter((one) => one.fibres === fibres),
      paper,
    );
  return { caliperMicron: thick, gsm: heavy, along: way('along'), across: way('across') };
}

/** A stock, or as much of one as bends. */
export type Measurable = Pick<Stock, 'gsm' | 'caliperMicron' | 'measured'>;

function bending(
  overhangs: readonly OverhangReading[],
  { gsm, caliperMicron }: { readonly gsm: Gsm; readonly caliperMicron: Micron },
): Bending | null {
  const lengthMm = found(overhangs.map(({ line, overhangMm }) => SHARE_OF[line] * overhangMm));
  if (!lengthMm) return null;
  const weightNm2 = (gsm / 1000) * GRAVITY;
  const rigidityNm = weightNm2 * (lengthMm.mean / 1000) ** 3;
  return {
    lengthMm,
    rigidityNm,
    // A cube strays three times as far as what it is the cube of.
    rigiditySpreadNm: lengthMm.spread === null ? null : (3 * rigidityNm * lengthMm.spread) / lengthMm.mean,
    modulusPa: (12 * rigidityNm) / (caliperMicron * 1e-6) ** 3,
  };
}

function found(values: readonly number[]): Found | null {
  if (values.length === 0) return null;
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  const squares = values.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  return { mean, spread: values.length > 1 ? Math.sqrt(squares / (values.length - 1)) : null, readings: values.length };
}

/** Where a stiffness comes from: this stock’s own strips, its strips of the other way, or card at large. */
export type StiffnessFrom = 'measured' | 'otherWay' | 'starting';

/**
 * The bending length of a stock one way, mm: measured where it was; from the other way where only that was, by the usual
 * ratio of the two; else from its weight and thickness. c = ∛(D ÷ w) with D = E·t³ ÷ 12.
 */
export function bendingLengthMm(stock: Measurable, fibres: Fibres): { readonly mm: Mm; readonly from: StiffnessFrom } {
  const { along, across } = measuredStock(stock);
  const [own, other] = fibres === 'along' ? [along, across] : [across, along];
  if (own) return { mm: own.lengthMm.mean, from: 'measured' };
  const otherWay: Fibres = fibres === 'along' ? 'across' : 'along';
  const ratio = STARTING_MODULUS_PA[fibres] / STARTING_MODULUS_PA[otherWay];
  if (other) return { mm: other.lengthMm.mean * Math.cbrt(ratio), from: 'otherWay' };
  const rigidityNm = (STARTING_MODULUS_PA[fibres] * (stock.caliperMicron * 1e-6) ** 3) / 12;
  return { mm: 1000 * Math.cbrt(rigidityNm / ((stock.gsm / 1000) * GRAVITY)), from: 'starting' };
}
