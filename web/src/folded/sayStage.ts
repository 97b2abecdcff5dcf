/** How far the card is folded or open, in a sentence. */
export function sayStage(
  format: string,
  folds: number | null,
  open: number,
  steps: readonly { readonly says: string }[],
  onTable: boolean,
): string {
  if (onTable) return `${format}, standing on a table.`;
  if (folds !== null) return folds === 0 ? 'Flat, outside up.' : `Fold ${folds}: ${steps[folds - 1]?.says ?? ''}`;
  if (open === 0) return `${format}, shut.`;
  return open === 1 ? `${format}, flat open.` : `${format}, ${Math.round(open * 100)} % open.`;
}
