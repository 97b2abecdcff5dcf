/**
 * How many cases a law is tried on: half its own number, since every run tries others and the whole of them is to end
 * while one waits for it; or RUNS (more to hunt a rare one, fewer while faults are put in).
 */
export const runs = (usual: number): number => Number(process.env.RUNS ?? Math.ceil(usual / 2));
