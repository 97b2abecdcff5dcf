/** Whatever hangs while it ends has no more than this. */
const LONGEST_MS = 5000;

/** Ends the process in order when it is told to, or when whoever started it has died and cannot tell it any more. */
export function endWith(tidy: () => Promise<void>): void {
  let ending = false;
  const end = (): void => {
    if (ending) return;
    ending = true;
    setTimeout(() => process.exit(0), LONGEST_MS).unref();
    void tidy().finally(() => process.exit(0));
  };
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.on(signal, end);
  process.on('disconnect', end);
}
