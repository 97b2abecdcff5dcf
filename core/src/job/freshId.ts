/** An id that none of these has: a word, and a number past the highest that any of them ends in. */
export const freshId = (word: string, taken: readonly { readonly id: string }[]): string =>
  `${word}${1 + Math.max(0, ...taken.map(({ id }) => Number(/\d+$/.exec(id)?.[0] ?? 0)))}`;
