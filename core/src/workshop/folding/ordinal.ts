import { cholesky, solveLower, type Matrix } from '../../ground/linear/cholesky.ts';

/** What weighs how much before anything was seen, and how sure of that one is (one standard deviation). */
export interface Prior {
  readonly mean: number;
  readonly spread: number;
}

/** One thing seen: what was done, and into which of three classes in order it fell. */
export interface Judged {
  readonly features: readonly number[];
  readonly rank: 0 | 1 | 2;
}

/** Weights after what was seen, and the lower factor of the precision about them. */
export interface Learnt {
  readonly weights: readonly number[];
  readonly precision: Matrix;
}

/** Where the classes part on the scale of what the features add up to. The first is its nought. */
export const PARTS_AT = [0, 2] as const;

const TURNS = 40;
const SETTLED = 1e-10;

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/**
 * The weights that fit best what was judged, held by what was thought before. Source: P. McCullagh, “Regression models for
 * ordinal data”, 1980 (proportional odds), with the cuts kept where they are and a normal prior on each weight; the sum is
 * concave, so Newton’s steps find its one top, and its bend there is how sure the weights are (Laplace).
 */
export function learn(prior: readonly Prior[], seen: readonly Judged[]): Learnt {
  let weights: readonly number[] = prior.map(({ mean }) => mean);
  let precision = bendAt(prior, seen, weights);
  for (let turn = 0; turn < TURNS; turn += 1) {
    const step = solveLower(precision, slopeAt(prior, seen, weights));
    // Half of a step that leads down: far from the top the sum is flatter than its bend says.
    let share = 1;
    const before = heightAt(prior, seen, weights);
    const moved = (): readonly number[] => weights.map((w, i) => w + share * step[i]!);
    while (share > 1e-6 && heightAt(prior, seen, moved()) < before - 1e-12) share /= 2;
    weights = moved();
    precision = bendAt(prior, seen, weights);
    if (Math.max(...step.map(Math.abs)) < SETTLED) break;
  }
  return { weights, precision };
}

/** Chance of at least the second class, and of the third, with how unsure the weights are taken into account. */
export function chances({ weights, precision }: Learnt, features: readonly number[]): readonly [number, number] {
  const sum = added(weights, features);
  const solved = solveLower(precision, features);
  const variance = added(solved, features);
  // The mean of a logistic over a normal. Source: D. J. C. MacKay, “The evidence framework applied to classification
  // networks”, 1992.
  const towards = (part: number): number => logistic((sum - part) / Math.sqrt(1 + (Math.PI * variance) / 8));
  return [towards(PARTS_AT[0]), towards(PARTS_AT[1])];
}

const added = (weights: readonly number[], features: readonly number[]): number =>
  weights.reduce((sum, w, i) => sum + w * features[i]!, 0);

/** Shares of the cuts that lie above what it adds up to. */
const belowCuts = (sum: number): readonly [number, number] => [
  logistic(PARTS_AT[0] - sum),
  logistic(PARTS_AT[1] - sum),
];

function heightAt(prior: readonly Prior[], seen: readonly Judged[], weights: readonly number[]): number {
  const held = prior.reduce((sum, { mean, spread }, i) => sum - ((weights[i]! - mean) / spread) ** 2 / 2, 0);
  return seen.reduce((sum, { features, rank }) => {
    const [first, second] = belowCuts(added(weights, features));
    return sum + Math.log(rank === 0 ? first : rank === 1 ? second - first : 1 - second);
  }, held);
}

function slopeAt(prior: readonly Prior[], seen: readonly Judged[], weights: readonly number[]): number[] {
  const slope = prior.map(({ mean, spread }, i) => (mean - weights[i]!) / spread ** 2);
  for (const { features, rank } of seen) {
    const [first, second] = belowCuts(added(weights, features));
    const pull = rank === 0 ? first - 1 : rank === 1 ? first + second - 1 : second;
    for (const [i, f] of features.entries()) slope[i]! += pull * f;
  }
  return slope;
}

/** The lower factor of how the sum bends, turned upwards. */
function bendAt(prior: readonly Prior[], seen: readonly Judged[], weights: readonly number[]): Matrix {
  const bend = prior.map(({ spread }, i) => prior.map((_, j) => (i === j ? 1 / spread ** 2 : 0)));
  for (const { features, rank } of seen) {
    const [first, second] = belowCuts(added(weights, features)).map((share) => share * (1 - share)) as [number, number];
    const by = rank === 0 ? first : rank === 1 ? first + second : second;
    for (const [i, f] of features.entries()) for (const [j, g] of features.entries()) bend[i]![j]! += by * f * g;
  }
  return cholesky(bend);
}
