/**
 * Things in the order of some figures, the first that differs deciding, and where none does by their ids: whatever order
 * the shelf is in, the same thing comes first.
 */
export const sortedBy = <T extends { readonly id: string }>(
  things: readonly T[],
  ...figures: readonly ((thing: T) => number)[]
): readonly T[] =>
  [...things].sort((a, b) => {
    for (const figure of figures) {
      const by = figure(a) - figure(b);
      if (by !== 0) return by;
    }
    return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
  });
