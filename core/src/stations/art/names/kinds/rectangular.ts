/** Rows as long as the widest that says something, without the empty ones at the end. */
export function rectangular(rows: readonly (readonly string[])[]): readonly (readonly string[])[] {
  const lastOf = <T>(of: readonly T[], says: (one: T) => boolean): number => of.findLastIndex(says) + 1;
  const tall = lastOf(rows, (row) => row.some((cell) => cell !== ''));
  const wide = Math.max(0, ...rows.map((row) => lastOf(row, (cell) => cell !== '')));
  return rows.slice(0, tall).map((row) => Array.from({ length: wide }, (_, i) => row[i] ?? ''));
}
