/** Limits that keep a list within what a studio sends and a page can show. */
export const NAMES_LIMITS = { bytes: 4 * 1024 * 1024, rows: 5000, columns: 40, cell: 300 } as const;

/** What is wrong with a file of so many bytes, before it is opened; null when nothing is. */
export const namesTooLarge = (bytes: number): string | null =>
  bytes > NAMES_LIMITS.bytes
    ? `The list is ${(bytes / 1048576).toFixed(0)} MB and the most is ${NAMES_LIMITS.bytes / 1048576} MB; keep only the columns that are printed.`
    : null;
