import type { ShapedGlyph, Typeface } from '../../stations/art/words/typefaces.ts';
import type { Mm } from '../../ground/length/types.ts';

/** Letters in a row that one typeface sets. */
export interface LabelRun {
  readonly typeface: Typeface;
  readonly text: string;
}

/**
 * A line cut where one typeface’s letters end: each letter in the first that has it. A letter that none has stays with
 * the last, which shows that something is there.
 * @throws RangeError when there is no typeface at all
 */
export function labelRuns(text: string, chain: readonly Typeface[]): readonly LabelRun[] {
  const last = chain.at(-1);
  if (!last) throw new RangeError('labelRuns: wanted at least one typeface, got none');
  const runs: { typeface: Typeface; text: string }[] = [];
  for (const char of text) {
    // A space or a joining sign belongs to the word it stands in.
    const typeface = /\s|\p{M}/u.test(char)
      ? (runs.at(-1)?.typeface ?? chain[0]!)
      : (chain.find((one) => one.has(char)) ?? last);
    const run = runs.at(-1);
    if (run?.typeface === typeface) run.text += char;
    else runs.push({ typeface, text: char });
  }
  return runs;
}

/** A label’s run at its place along the line, shaped. */
export interface SetRun extends LabelRun {
  readonly xMm: Mm;
  readonly glyphs: readonly ShapedGlyph[];
}

export interface SetLabel {
  readonly runs: readonly SetRun[];
  readonly widthMm: Mm;
}

/** A label set in one line, from its start. */
export function setLabel(text: string, sizeMm: Mm, chain: readonly Typeface[]): SetLabel {
  let xMm = 0;
  const runs = labelRuns(text, chain).map((run): SetRun => {
    const glyphs = run.typeface.shape(run.text);
    const end = glyphs.at(-1);
    const placed = { ...run, xMm, glyphs };
    xMm += end ? (end.xEm + end.advanceEm) * sizeMm : 0;
    return placed;
  });
  return { runs, widthMm: xMm };
}
