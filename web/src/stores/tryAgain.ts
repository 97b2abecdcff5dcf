/** The first pause before something is tried once more, and the longest: a server that struggles is left in peace. */
const FIRST_MS = 1500;
const LONGEST_MS = 30_000;

/** Pauses between tries, each twice as long as the one before, until one went through. */
export function growingPauses(): { next(): number; reset(): void } {
  let tries = 0;
  return {
    next: () => Math.min(LONGEST_MS, FIRST_MS * 2 ** tries++),
    reset: () => {
      tries = 0;
    },
  };
}
