/** Why a point of a control chart is looked at. */
export type ChartRule = 'beyond' | 'oneSide' | 'trend' | 'twoOfThree';

export interface ChartSignal {
  readonly rule: ChartRule;
  /** The last of the points that make it, from nought. */
  readonly at: number;
}

/** An individuals chart and the chart of its moving ranges. */
export interface ControlChart {
  readonly values: readonly number[];
  /** From each value to the one before it; one fewer than there are values. */
  readonly ranges: readonly number[];
  readonly mean: number;
  /** As the ranges tell it, whatever wanders slowly. */
  readonly spread: number;
  readonly lower: number;
  readonly upper: number;
  readonly meanRange: number;
  readonly upperRange: number;
  readonly signals: readonly ChartSignal[];
}

/** Mean of the range of two normal deviates: 2 ÷ √π. */
const D2 = 2 / Math.sqrt(Math.PI);
/** Its standard deviation: √(2 − 4 ÷ π). */
const D3 = Math.sqrt(2 - 4 / Math.PI);
const LIMIT = 3;
const ONE_SIDE = 9;
const TREND = 6;
/** Two values make one range, of which nothing can be said. */
export const LEAST_CHARTED = 3;

/**
 * Limits of single readings from the mean range of two in a row: mean ± 3 R̄ ÷ d₂, and R̄ (1 + 3 d₃ ÷ d₂) for the ranges;
 * d₂ and d₃ are those of the range of two normal deviates. Points that are no chance: one beyond a limit, nine in a row
 * on one side of the mean, six in a row that rise or fall, two of three beyond two thirds of the way to a limit.
 * Source: ISO 7870-2; L. S. Nelson, The Shewhart control chart: tests for special causes, 1984
 * @returns null of fewer than three values
 */
export function controlChart(values: readonly number[]): ControlChart | null {
  if (values.length < LEAST_CHARTED) return null;
  const ranges = values.slice(1).map((value, i) => Math.abs(value - values[i]!));
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const meanRange = ranges.reduce((a, b) => a + b, 0) / ranges.length;
  const spread = meanRange / D2;
  return {
    ...{ values, ranges, mean, spread, meanRange },
    lower: mean - LIMIT * spread,
    upper: mean + LIMIT * spread,
    upperRange: meanRange * (1 + (LIMIT * D3) / D2),
    signals: signalsOf(values, mean, spread),
  };
}

function signalsOf(values: readonly number[], mean: number, spread: number): readonly ChartSignal[] {
  const side = (value: number): number => Math.sign(value - mean);
  const zs = values.map((value) => (spread > 0 ? (value - mean) / spread : 0));
  const lastOf = (many: number, i: number): readonly number[] => values.slice(Math.max(0, i - many + 1), i + 1);
  return values.flatMap((value, i): readonly ChartSignal[] => {
    const run = lastOf(ONE_SIDE, i);
    const steps = lastOf(TREND, i);
    const rises = steps.slice(1).map((one, k) => Math.sign(one - steps[k]!));
    const three = zs.slice(Math.max(0, i - 2), i + 1);
    const far = (sign: number): boolean =>
      three.length === 3 && sign * zs[i]! > 2 && three.filter((z) => sign * z > 2).length >= 2;
    return [
      ...(Math.abs(zs[i]!) > LIMIT ? [{ rule: 'beyond' as const, at: i }] : []),
      ...(run.length === ONE_SIDE && side(value) !== 0 && run.every((one) => side(one) === side(value))
        ? [{ rule: 'oneSide' as const, at: i }]
        : []),
      ...(steps.length === TREND && rises[0] !== 0 && rises.every((rise) => rise === rises[0])
        ? [{ rule: 'trend' as const, at: i }]
        : []),
      ...(far(1) || far(-1) ? [{ rule: 'twoOfThree' as const, at: i }] : []),
    ];
  });
}

const SAID: Readonly<Record<ChartRule, string>> = {
  beyond: 'one lies outside the limits',
  oneSide: 'nine in a row lie on one side of the mean',
  trend: 'six in a row rise or fall',
  twoOfThree: 'two of three lie far out on one side',
};

/** Each rule that is broken, once, in words, with where it is broken last; piece 1 is the oldest shown. */
export function saySignals({ signals }: Pick<ControlChart, 'signals'>): readonly string[] {
  const last = new Map(signals.map(({ rule, at }) => [rule, at]));
  return [...last].map(([rule, at]) => `Piece ${at + 1}: ${SAID[rule]}.`);
}
