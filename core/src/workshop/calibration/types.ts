import type { Affine } from '../../ground/geometry/affine.ts';
import type { Sides } from '../../ground/geometry/types.ts';
import type { Gsm, Mm } from '../../ground/length/types.ts';

/** The four crosses, by the corner of the sheet they stand near as its front is read. */
export const CROSSES = ['topLeft', 'topRight', 'bottomLeft', 'bottomRight'] as const;
export type Cross = (typeof CROSSES)[number];

/** How far something lies from where it should, as seen from the front; negative is left, or high. */
export interface Miss {
  readonly rightMm: Mm;
  readonly lowMm: Mm;
}

/** From the sheet’s own edges to the front’s crosses. */
export interface EdgeReadings {
  readonly leftToTopLeftMm: Mm;
  readonly leftToBottomLeftMm: Mm;
  readonly topToTopLeftMm: Mm;
  readonly topToTopRightMm: Mm;
}

/** What a maker measures on one printed calibration sheet. */
export interface Readings {
  readonly ruleAcrossMm: Mm;
  readonly ruleDownMm: Mm;
  /** Where the back’s cross lies from the front’s, held to the light, front towards the eye. */
  readonly crosses: Readonly<Record<Cross, Miss>>;
  /** Null when the print’s place on the sheet was not measured. */
  readonly edges: EdgeReadings | null;
  /** Held to the light, the two arrows point the same way, or one is head to foot. */
  readonly arrows: 'same' | 'opposite';
}

/** One calibration sheet: what it was printed on and what was read off it. */
export interface Calibration {
  readonly id: string;
  /** ISO 8601 day. */
  readonly day: string;
  readonly gsm: Gsm;
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  /** Margins it was drawn for, which say where its crosses stood. */
  readonly marginsMm: Sides;
  /** The edge its two sides were made for turning on. */
  readonly flipEdge: 'long' | 'short';
  /** In the maker’s words: how the sheet was laid back. */
  readonly laidBack: string;
  readonly readings: Readings;
  /** Kept in the history, but no longer corrects anything. */
  readonly setAside: boolean;
}

/** What a printer does to the two sides of a sheet, in the sheet as seen from its front. */
export interface Register {
  /** From where a point should be to where the front prints it. */
  readonly front: Affine;
  /** The same for the back. */
  readonly back: Affine;
  /** Printed ÷ meant, across and down. */
  readonly scaleAcross: number;
  readonly scaleDown: number;
  /** The front’s middle from the middle of the sheet; nothing is known of it when edges were not measured. */
  readonly frontMiss: Miss | null;
  readonly frontTurnDeg: number;
  /** The back from the front, in the middle of the sheet. */
  readonly backMiss: Miss;
  /** Clockwise, as seen from the front. */
  readonly backTurnDeg: number;
  /** Back ÷ front. */
  readonly backScale: number;
  /** What the readings leave unexplained, at the worst cross: a feed that wanders, or a reading to take again. */
  readonly unexplainedMm: Mm;
}

/** What to do to each page before it is printed, so that it lands where it should. */
export interface Corrections {
  readonly front: Affine;
  readonly back: Affine;
}
