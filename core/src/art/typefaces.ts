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
  shape(text: string): readonly ShapedGlyph[];
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
): TypefaceEntry => ({
  id: `${slug}-${weight}${italic ? '-italic' : ''}`,
  name: `${family}${suffix}`,
  mood,
  file: `@fontsource/${slug}/files/${slug}-latin-${weight}-${italic ? 'italic' : 'normal'}.woff`,
  css: { family, weight, italic },
});

/** Every typeface a maker can set words in; all carry the SIL Open Font License. */
export const TYPEFACES: readonly TypefaceEntry[] = [
  entry('fraunces', 'Fraunces', 'display', 600),
  entry('playfair-display', 'Playfair Display', 'display', 700, true, ' bold italic'),
  entry('eb-garamond', 'EB Garamond', 'serif', 400),
  entry('eb-garamond', 'EB Garamond', 'serif', 400, true, ' italic'),
  entry('josefin-sans', 'Josefin Sans', 'plain', 400),
  entry('josefin-sans', 'Josefin Sans', 'plain', 600, false, ' semibold'),
  entry('atkinson-hyperlegible-next', 'Atkinson Hyperlegible Next', 'plain', 400),
  entry('atkinson-hyperlegible-next', 'Atkinson Hyperlegible Next', 'plain', 700, false, ' bold'),
  entry('great-vibes', 'Great Vibes', 'script', 400),
  entry('caveat', 'Caveat', 'hand', 400),
  entry('caveat', 'Caveat', 'hand', 700, false, ' bold'),
];

/** The typeface of slugs, tickets and labels in files. */
export const LABEL_TYPEFACE_ID = 'atkinson-hyperlegible-next-400';
