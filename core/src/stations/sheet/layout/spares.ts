/**
 * Cards: a shop that has logged nothing yet is taken to spoil one in twenty-five, with little certainty. Our starting value;
 * every run that is counted at the bench outweighs it.
 */
const PRIOR = { spoiled: 1, good: 24 } as const;
/** Probability that the run comes out with as many good cards as are wanted. Our starting value; spares are editable at Sheet. */
export const SURE_ENOUGH = 0.95;

/**
 * The fewest spare cards for which at least `wanted` come out good with 95 % certainty.
 * Each card's chance of spoiling is Beta(1 + spoiled, 24 + good) after the log, so the number spoiled in
 * a run is beta-binomial: P(0) = Π (β+i)/(α+β+i), P(k+1) = P(k)·(N−k)(α+k) / ((k+1)(β+N−k−1)).
 * Source: the beta-binomial distribution's recurrence; derivation by conjugacy.
 */
export function sparesFor(wanted: number, log: { readonly good: number; readonly spoiled: number }): number {
  if (wanted === 0) return 0;
  const alpha = PRIOR.spoiled + log.spoiled;
  const beta = PRIOR.good + log.good;
  for (let spares = 0; ; spares += 1) if (chanceEnough(wanted, spares, alpha, beta) >= SURE_ENOUGH) return spares;
}

/** P(spoiled ≤ spares) out of wanted + spares cards. */
export function chanceEnough(wanted: number, spares: number, alpha: number, beta: number): number {
  const cards = wanted + spares;
  let chance = 1;
  for (let i = 0; i < cards; i += 1) chance *= (beta + i) / (alpha + beta + i);
  let total = chance;
  for (let k = 0; k < spares; k += 1) {
    chance *= ((cards - k) * (alpha + k)) / ((k + 1) * (beta + cards - k - 1));
    total += chance;
  }
  return total;
}

export const expectedSpoilShare = (log: { readonly good: number; readonly spoiled: number }): number =>
  (PRIOR.spoiled + log.spoiled) / (PRIOR.spoiled + log.spoiled + PRIOR.good + log.good);
