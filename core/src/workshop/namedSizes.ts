import { MM_PER_INCH, type Mm } from '../ground/length/types.ts';

export const SIZE_SYSTEMS = ['ISO', 'North American', 'European', 'Japanese', 'East Asian', 'Australasian'] as const;
/** Whose name it is. */
export type SizeSystem = (typeof SIZE_SYSTEMS)[number];

/** The same name means one thing in ISO and another in North America, so the system is part of the name. */
export interface NamedSize {
  readonly system: SizeSystem;
  readonly name: string;
  /** Upright: the short edge is the width. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/**
 * ISO A sizes by halving A0 = 841 × 1189 mm and dropping the half millimetre.
 * Source: ISO 216.
 */
export function isoA(n: number): NamedSize {
  let [widthMm, heightMm] = [841, 1189];
  for (let i = 0; i < n; i += 1) [widthMm, heightMm] = [Math.floor(heightMm / 2), widthMm];
  return { system: 'ISO', name: `A${n}`, widthMm, heightMm };
}

const square = (mm: number): NamedSize => ({ system: 'ISO', name: `${mm} square`, widthMm: mm, heightMm: mm });
export const american = (name: string, widthIn: number, heightIn: number): NamedSize => ({
  system: 'North American',
  name,
  widthMm: widthIn * MM_PER_INCH,
  heightMm: heightIn * MM_PER_INCH,
});

const upright = (system: SizeSystem, name: string, widthMm: Mm, heightMm: Mm): NamedSize => ({
  system,
  name,
  widthMm,
  heightMm,
});

/** Sizes a home maker is likely to know by name, system by system: cards to fold, and what is handed over, tied on or posted. */
export const NAMED_SIZES: readonly NamedSize[] = [
  isoA(7),
  isoA(6),
  isoA(5),
  isoA(8),
  // A card as banks hand out. Source: ISO/IEC 7810, ID-1.
  { system: 'ISO', name: 'ID-1 card', widthMm: 53.98, heightMm: 85.6 },
  // A third of A4's length on A4's width, as DL contents are cut. Source: ISO 269 (DL takes A4 folded in three).
  { system: 'ISO', name: 'DL card', widthMm: Math.floor(isoA(4).heightMm / 3), heightMm: isoA(4).widthMm },
  square(120),
  square(130),
  square(145),
  american('A1', 3.5, 4.875),
  american('A2', 4.25, 5.5),
  american('A6', 4.5, 6.25),
  american('A7', 5, 7),
  american('Slimline', 3.5, 8.5),
  american('Mini slimline', 3.5, 6),
  american('5 in square', 5, 5),
  american('Gift enclosure', 2.5, 3.5),
  american('Postcard', 4, 6),
  american('Contact card', 2, 3.5),
  american('Bookmark', 2, 6),
  upright('European', 'Contact card', 55, 85),
  upright('European', 'Bookmark', 50, 150),
  upright('Japanese', 'Contact card', 55, 91),
  // Source: Japan Post, terms of domestic mail: postal cards of 100 × 148 mm.
  upright('Japanese', 'Postcard', 100, 148),
  upright('East Asian', 'Contact card', 54, 90),
  upright('Australasian', 'Contact card', 55, 90),
];

/** The envelope an A6 card is meant for: where an inside size starts until the maker measures. Source: ISO 269. */
export const ISO_C6: { readonly insideWidthMm: Mm; readonly insideHeightMm: Mm } = {
  insideWidthMm: 114,
  insideHeightMm: 162,
};

/** Sheets that makers can buy, smallest first: what to suggest when something will not fit. */
export const BOUGHT_SHEETS: readonly { readonly name: string; readonly widthMm: Mm; readonly heightMm: Mm }[] = [
  { name: 'A4', widthMm: isoA(4).widthMm, heightMm: isoA(4).heightMm },
  { name: 'letter', widthMm: 8.5 * MM_PER_INCH, heightMm: 11 * MM_PER_INCH },
  { name: 'legal', widthMm: 8.5 * MM_PER_INCH, heightMm: 14 * MM_PER_INCH },
  { name: '12 in square', widthMm: 12 * MM_PER_INCH, heightMm: 12 * MM_PER_INCH },
  { name: 'A3', widthMm: isoA(3).widthMm, heightMm: isoA(3).heightMm },
  { name: 'tabloid', widthMm: 11 * MM_PER_INCH, heightMm: 17 * MM_PER_INCH },
  { name: 'SRA3', widthMm: 320, heightMm: 450 },
  { name: '13 × 19 in', widthMm: 13 * MM_PER_INCH, heightMm: 19 * MM_PER_INCH },
].sort((a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm);

/** What a sheet of this size is sold as, either way up, or null. */
export const sheetName = (widthMm: Mm, heightMm: Mm): string | null =>
  named(BOUGHT_SHEETS, widthMm, heightMm)?.name ?? null;

/** The named size this is, either way up, or null. */
export function sizeName(widthMm: Mm, heightMm: Mm): string | null {
  const found = named(NAMED_SIZES, widthMm, heightMm);
  return found ? `${found.system} ${found.name}` : null;
}

/** Within what a steel rule tells. */
const near = (a: Mm, b: Mm): boolean => Math.abs(a - b) < 0.05;
function named<Size extends { readonly widthMm: Mm; readonly heightMm: Mm }>(
  sizes: readonly Size[],
  widthMm: Mm,
  heightMm: Mm,
): Size | undefined {
  const [narrow, tall] = [Math.min(widthMm, heightMm), Math.max(widthMm, heightMm)];
  return sizes.find((size) => near(size.widthMm, narrow) && near(size.heightMm, tall));
}
