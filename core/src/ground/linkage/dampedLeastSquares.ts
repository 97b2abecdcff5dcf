/** Residuals that are to vanish, as a function of the unknowns. */
export type Residuals = (unknowns: readonly number[]) => readonly number[];

export interface LeastSquares {
  readonly unknowns: readonly number[];
  /** Root of the sum of squares that is left. */
  readonly left: number;
}

const MOST_STEPS = 60;
/** Steps smaller than this change nothing that a ruler could tell. */
const LEAST_STEP = 1e-10;
const NUDGE = 1e-6;
/** Of squares: a ten-millionth of what is measured. */
const NOTHING = 1e-14;

/**
 * Unknowns that leave the least sum of squares, walked to from a guess. Each step solves the normal equations with a
 * damping that grows until the step helps; where unknowns are not told by the residuals, it keeps them where they are.
 * A limit of steps, not of time: the same guess always gives the same answer.
 * Source: Levenberg 1944, Marquardt 1963; the derivative by differences.
 */
export function dampedLeastSquares(residuals: Residuals, guess: readonly number[]): LeastSquares {
  let unknowns = [...guess];
  let now = residuals(unknowns);
  let left = sumOfSquares(now);
  let damping = 1e-3;
  for (let step = 0; step < MOST_STEPS && left > NOTHING; step += 1) {
    const slopes = unknowns.map((_, k) => slopeOf(residuals, unknowns, now, k));
    const gradient = slopes.map((slope) => inner(slope, now));
    const square = slopes.map((row) => slopes.map((column) => inner(row, column)));
    const scale = Math.max(1e-12, ...square.map((row, i) => row[i]!));
    let moved = false;
    while (!moved && damping < 1e8) {
      const change = solve(
        square.map((row, i) => row.map((value, j) => (i === j ? value + damping * scale : value))),
        gradient,
      );
      const tried = unknowns.map((value, i) => value - change[i]!);
      const then = residuals(tried);
      const lower = sumOfSquares(then);
      if (lower < left) {
        const size = Math.max(...change.map(Math.abs));
        [unknowns, now, left, moved] = [tried, then, lower, true];
        damping = Math.max(1e-12, damping / 30);
        if (size < LEAST_STEP) return { unknowns, left: Math.sqrt(left) };
      } else damping *= 8;
    }
    if (!moved) break;
  }
  return { unknowns, left: Math.sqrt(left) };
}

function slopeOf(residuals: Residuals, at: readonly number[], now: readonly number[], k: number): readonly number[] {
  const nudged = residuals(at.map((value, i) => (i === k ? value + NUDGE : value)));
  return nudged.map((value, i) => (value - now[i]!) / NUDGE);
}

const inner = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
const sumOfSquares = (values: readonly number[]): number => inner(values, values);

/** A symmetric positive system, by Cholesky’s square root. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): readonly number[] {
  const n = right.length;
  const root: number[][] = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i]![j]!;
      for (let k = 0; k < j; k += 1) sum -= root[i]![k]! * root[j]![k]!;
      root[i]![j] = i === j ? Math.sqrt(Math.max(sum, 1e-300)) : sum / root[j]![j]!;
    }
  const forward: number[] = [];
  for (let i = 0; i < n; i += 1)
    forward.push((right[i]! - forward.reduce((sum, v, k) => sum + root[i]![k]! * v, 0)) / root[i]![i]!);
  const back = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = forward[i]!;
    for (let k = i + 1; k < n; k += 1) sum -= root[k]![i]! * back[k]!;
    back[i] = sum / root[i]![i]!;
  }
  return back;
}
