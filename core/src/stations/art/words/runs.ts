import type { Typeface, TypefaceBook } from './typefaces.ts';
import { TYPEFACES, typefaceIn } from './typefaces.ts';

/** Letters in a row that are set alike. */
export interface Run {
  readonly text: string;
  readonly typeface: Typeface;
  /** Of the line’s type size. */
  readonly scale: number;
  /** Above the baseline, in the line’s type sizes. */
  readonly riseEm: number;
}

/** Small capitals drawn from large ones: high enough to keep the weight of their neighbours. */
const SMALL_CAP = 0.8;
/** Figures of a fraction, and how high its upper one stands: both together are as high as a capital. */
const FRACTION = { scale: 0.6, riseEm: 0.28 } as const;
const READY_MADE: Readonly<Record<string, string>> = { '1/2': '½', '1/4': '¼', '3/4': '¾' };

export interface RunStyle {
  readonly typefaceId: string;
  readonly smallCaps?: boolean | undefined;
  readonly fractions?: boolean | undefined;
}

/**
 * A line parted into runs: small capitals, the figures of fractions, and letters that only the typeface’s
 * companion file has.
 * @throws RangeError when a typeface that ships is not in the book
 */
export function runsOf(line: string, style: RunStyle, book: TypefaceBook): readonly Run[] {
  const own = typefaceIn(book, style.typefaceId);
  const entry = TYPEFACES.find(({ id }) => id === style.typefaceId);
  const companion = entry && book.get(entry.companion.id);
  const parts = style.fractions ? line.split(/(?<![\d/])(\d{1,3}\/\d{1,3})(?![\d/])/) : [line];
  const runs = parts.flatMap((part, i): readonly Omit<Run, 'typeface'>[] => {
    if (i % 2 === 1) return fraction(part, own);
    if (!style.smallCaps) return [{ text: part, scale: 1, riseEm: 0 }];
    return part
      .split(/(\p{Ll}+)/u)
      .map((bit, k) =>
        k % 2 === 1 ? { text: bit.toUpperCase(), scale: SMALL_CAP, riseEm: 0 } : { text: bit, scale: 1, riseEm: 0 },
      );
  });
  return runs.flatMap((run) => covered(run, own, companion)).filter((run) => run.text !== '');
}

function fraction(text: string, typeface: Typeface): readonly Omit<Run, 'typeface'>[] {
  const ready = READY_MADE[text];
  if (ready && typeface.has(ready)) return [{ text: ready, scale: 1, riseEm: 0 }];
  const [above, below] = text.split('/') as [string, string];
  const slash = typeface.has('\u2044') ? '\u2044' : '/';
  return [
    { text: above, ...FRACTION },
    { text: slash, scale: 1, riseEm: 0 },
    { text: below, scale: FRACTION.scale, riseEm: 0 },
  ];
}

/** Cut where the typeface’s own file ends and its companion’s begins; what neither has stays with the first. */
function covered(run: Omit<Run, 'typeface'>, own: Typeface, companion: Typeface | undefined): readonly Run[] {
  if (!companion) return [{ ...run, typeface: own }];
  const found: { text: string; typeface: Typeface }[] = [];
  for (const char of run.text) {
    const typeface = !own.has(char) && companion.has(char) ? companion : own;
    const last = found.at(-1);
    if (last?.typeface === typeface) last.text += char;
    else found.push({ text: char, typeface });
  }
  return found.map(({ text, typeface }) => ({ ...run, text, typeface }));
}
