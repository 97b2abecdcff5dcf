/** A small generator of even numbers between 0 and 1. Source: mulberry32, Tommy Ettinger, public domain */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Normal deviates of mean 0 and spread 1. Source: Box and Muller, A note on the generation of random normal deviates, 1958 */
export function normalFrom(random: () => number): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    const r = Math.sqrt(-2 * Math.log(1 - random()));
    const turn = 2 * Math.PI * random();
    spare = r * Math.sin(turn);
    return r * Math.cos(turn);
  };
}

/**
 * Share of a normal distribution below z.
 * Source: Abramowitz and Stegun, Handbook of mathematical functions, 7.1.26; within 1.5e−7
 */
export function normalBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z > 0 ? 1 - tail / 2 : tail / 2;
}
