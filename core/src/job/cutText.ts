const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/**
 * The beginning of a text, no longer than a field takes, and never half of a letter: one that is written in several
 * signs is in it whole or not at all.
 * @param most UTF-16 units, as limits of fields are counted
 */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  let cut = '';
  for (const { segment } of letters.segment(text)) {
    if (cut.length + segment.length > most) break;
    cut += segment;
  }
  return cut;
}
