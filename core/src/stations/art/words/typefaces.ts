import { isOwnTypeface } from '../../../job/ownTypeface.ts';
import type { Embedding } from './embedding.ts';

/** One glyph of a shaped line, in ems from the line's start. */
export interface ShapedGlyph {
  readonly id: number;
  readonly xEm: number;
  readonly yEm: number;
  readonly advanceEm: number;
  /** The characters it stands for, so that a file's text can be searched and copied. */
  readonly chars: string;
  /** Bounds of the ink, y up, or null for a space. */
  readonly inkEm: {
    readonly left: number;
    readonly bottom: number;
    readonly right: number;
    readonly top: number;
  } | null;
}

/** What text setting needs of a font; the reader of font files stands behind it. */
export interface Typeface {
  readonly id: string;
  readonly ascentEm: number;
  /** Positive below the baseline. */
  readonly descentEm: number;
  /** True when it has a letter for the character. */
  has(char: string): boolean;
  /** With kerning; ligatures are left out for lines whose letters are spaced. */
  shape(text: string, ligatures?: boolean): readonly ShapedGlyph[];
  /** Bounds of a glyph’s ink in ems, y up, or null for a space. */
  ink(glyphId: number): ShapedGlyph['inkEm'];
  /** What its makers let files do with it. */
  readonly embedding: Embedding;
  /** Path commands in ems with y up: letters M L Q C Z and their numbers. */
  outline(glyphId: number): readonly OutlineCommand[];
}

export interface OutlineCommand {
  readonly letter: 'M' | 'L' | 'Q' | 'C' | 'Z';
  readonly numbers: readonly number[];
}

export type TypefaceBook = ReadonlyMap<string, Typeface>;

export type Mood = 'plain' | 'serif' | 'display' | 'script' | 'hand';

/** A font that ships with the application. */
export interface TypefaceEntry {
  readonly id: string;
  readonly name: string;
  readonly mood: Mood;
  /** Package and file within it; loaders turn this into bytes. */
  readonly file: string;
  /** The same design for letters beyond western Europe, in a file of its own. */
  readonly companion: { readonly id: string; readonly file: string };
  /** The same family on a page, for the picker. */
  readonly css: { readonly family: string; readonly weight: number; readonly italic: boolean };
}

const entry = (
  slug: string,
  family: string,
  mood: Mood,
  weight: number,
  italic = false,
  suffix = '',
): TypefaceEntry => {
  const id = `${slug}-${weight}${italic ? '-italic' : ''}`;
  const file = (part: string): string =>
    `@fontsource/${slug}/files/${slug}-${part}-${weight}-${italic ? 'italic' : 'normal'}.woff`;
  return {
    id,
    name: `${family}${suffix}`,
    mood,
    file: file('latin'),
    companion: { id: `${id}-ext`, file: file('latin-ext') },
    css: { family, weight, italic },
  };
};

/** Every typeface a maker can set words in; all carry the SIL Open Font License. */
export const TYPEFACES: readonly TypefaceEntry[] = [
  entry('fraunces', 'Fraunces', 'display', 600),
  entry('playfair-display', 'Playfair Display', 'display', 400),
  entry('playfair-display', 'Playfair Display', 'display', 700, true, ' bold italic'),
  entry('abril-fatface', 'Abril Fatface', 'display', 400),
  entry('cinzel', 'Cinzel', 'display', 400),
  entry('eb-garamond', 'EB Garamond', 'serif', 400),
  entry('eb-garamond', 'EB Garamond', 'serif', 400, true, ' italic'),
  entry('cormorant-garamond', 'Cormorant Garamond', 'serif', 500),
  entry('cormorant-garamond', 'Cormorant Garamond', 'serif', 500, true, ' italic'),
  entry('libre-baskerville', 'Libre Baskerville', 'serif', 400),
  entry('lora', 'Lora', 'serif', 400),
  entry('josefin-sans', 'Josefin Sans', 'plain', 400),
  entry('josefin-sans', 'Josefin Sans', 'plain', 600, false, ' semibold'),
  entry('atkinson-hyperlegible-next', 'Atkinson Hyperlegible Next', 'plain', 400),
  entry('atkinson-hyperlegible-next', 'Atkinson Hyperlegible Next', 'plain', 700, false, ' bold'),
  entry('work-sans', 'Work Sans', 'plain', 400),
  entry('work-sans', 'Work Sans', 'plain', 600, false, ' semibold'),
  entry('great-vibes', 'Great Vibes', 'script', 400),
  entry('dancing-script', 'Dancing Script', 'script', 500),
  entry('parisienne', 'Parisienne', 'script', 400),
  entry('caveat', 'Caveat', 'hand', 400),
  entry('caveat', 'Caveat', 'hand', 700, false, ' bold'),
  entry('kalam', 'Kalam', 'hand', 400),
  entry('amatic-sc', 'Amatic SC', 'hand', 700, false, ' bold'),
];

/** Display and plain that go together: the large lines in one, the rest in the other. */
export const PAIRINGS: readonly { readonly id: string; readonly large: string; readonly plain: string }[] = [
  { id: 'harbour', large: 'fraunces-600', plain: 'work-sans-400' },
  { id: 'tide', large: 'playfair-display-700-italic', plain: 'lora-400' },
  { id: 'lantern', large: 'great-vibes-400', plain: 'cormorant-garamond-500' },
  { id: 'chart', large: 'cinzel-400', plain: 'eb-garamond-400' },
  { id: 'poster', large: 'abril-fatface-400', plain: 'josefin-sans-400' },
  { id: 'letter', large: 'parisienne-400', plain: 'libre-baskerville-400' },
  { id: 'chalk', large: 'amatic-sc-700', plain: 'kalam-400' },
  { id: 'note', large: 'caveat-700', plain: 'atkinson-hyperlegible-next-400' },
];

/** What the files of western letters hold. Source: the unicode-range that these fonts are published with */
const WESTERN =
  /^[\n\r\t\u0020-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212\u2215]*$/;

/** Typefaces that a text needs: its own, and the companion where a letter lies beyond western Europe. */
export const typefacesFor = (typefaceId: string, text: string): readonly string[] => {
  const own = TYPEFACES.find(({ id }) => id === typefaceId);
  return !own || WESTERN.test(text) ? [typefaceId] : [typefaceId, own.companion.id];
};

/** The typeface of slugs, tickets and labels in files. */
export const LABEL_TYPEFACE_ID = 'atkinson-hyperlegible-next-400';

/** A face with nearly every letter and sign there is, for what the shipped families lack. Files only: it is large. */
export const FALLBACK_TYPEFACES = [
  { id: 'dejavu-sans', file: 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf' },
  { id: 'dejavu-sans-bold', file: 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf' },
] as const;

/** What words about a drawing are set in: each letter in the first of these that has it. */
export const LABEL_CHAIN = [LABEL_TYPEFACE_ID, `${LABEL_TYPEFACE_ID}-ext`, FALLBACK_TYPEFACES[0].id] as const;
/** What words are set in while the typeface that the maker brought for them is not here. */
export const STAND_IN_TYPEFACE_ID = LABEL_TYPEFACE_ID;

/**
 * The typeface of a name; of one that the maker brought and that is not here, what stands in for it.
 * @throws RangeError when one that ships is not in the book
 */
export function typefaceIn(book: TypefaceBook, id: string): Typeface {
  const found = book.get(id) ?? (isOwnTypeface(id) ? book.get(STAND_IN_TYPEFACE_ID) : undefined);
  if (!found) throw new RangeError(`no typeface “${id}” ships with the application`);
  return found;
}

export const chainOf = (book: TypefaceBook, ids: readonly string[]): readonly Typeface[] =>
  ids.flatMap((id) => book.get(id) ?? []);
