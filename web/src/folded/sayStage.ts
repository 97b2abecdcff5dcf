/** How far the card is folded or open, in a sentence. */
export function sayStage(
  format: string,
  folds: number | null,
  open: number,
  steps: readonly { readonly says: string }[],
  { onTable, inDegrees }: { readonly onTable: boolean; readonly inDegrees: boolean },
): string {
  if (onTable) return `${format}, standing on a table.`;
  if (folds !== null) return folds === 0 ? 'Flat, outside up.' : `Fold ${folds}: ${steps[folds - 1]?.says ?? ''}`;
  if (open === 0) return `${format}, shut.`;
  if (inDegrees) return `${format}, ${opensTo(open)}.`;
  return open === 1 ? `${format}, flat open.` : `${format}, ${Math.round(open * 100)} % open.`;
}

/** How far one fold is opened, in words. */
export const opensTo = (open: number): string =>
  open === 0 ? 'shut' : open === 1 ? 'wide open' : `${Math.round(open * 180)}° open`;
