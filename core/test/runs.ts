/** How many cases a law is tried on: its own number, or RUNS (more to hunt a rare one, fewer while faults are put in). */
export const runs = (usual: number): number => Number(process.env.RUNS ?? usual);
